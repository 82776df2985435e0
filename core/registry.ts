import { logDrift } from './log/drift';
import { heldNitrogen } from './log/held-nitrogen';
import { springSkip } from './log/spring-skip';
import { logStock } from './log/stock';
import { logTally } from './log/tally-reckoning';
import { logTiming } from './log/timing';
import { polygonArea } from './ground/area-polygon';
import { rectangleArea } from './ground/area-rectangle';
import { zoneAmount } from './products/zone-amount';
import { limeDoses } from './lime/doses';
import { limeMaterial } from './lime/material';
import { mehlichLime } from './lime/mehlich';
import { smpEstimate } from './lime/smp-estimate';
import { firstLimeDose } from './lime/first-dose';
import { deficitLeft } from './prescription/deficit-left';
import { gypsumDoses } from './gypsum/doses';
import { gypsumMaterial } from './gypsum/material';
import { outstanding } from './prescription/ledger';
import { laboratoryAdvice } from './prescription/laboratory-figure';
import { sulfurOfCec } from './sulfur/most-a-year';
import { textureLime } from './lime/texture-table';
import { nitrogenYear } from './nitrogen/year';
import { capped } from './prescription/capped';
import { nutrientBalance } from './nutrients/balance';
import { oxideOfElement } from './nutrients/oxide';
import { growthRemoval } from './nutrients/removal';
import { productDelivers } from './products/delivers';
import { limeUndone } from './products/lime-undone';
import { blendOfThree, blendOfTwo } from './products/match/blend';
import { unitPrice, weighOutCost } from './products/price';
import { productRate } from './products/rate';
import { productSalt } from './products/salt';
import { establishmentYear } from './nitrogen/establishment-year';
import { starterPhosphate } from './nutrients/starter-phosphate';
import { ownFigure } from './prescription/override-figure';
import { peatLimeEquivalent, sulfurLimeEquivalent } from './sulfur/lime-equivalent';
import type { Reckoning } from './reckoning/define';
import { bufferAcidity } from './lime/mehlich-acidity';
import { methodConvert } from './soil/method-convert';
import { soilMass } from './soil/soil-mass';
import { sulfurDoses } from './sulfur/doses';
import { sulfurProduct } from './sulfur/product';
import { unitConvert } from './units/table';
import { sulfurRequirement } from './sulfur/requirement';

import { topdressDepth, mowTrigger } from './care/mowing-topdressing';
import { gallonsPerAcre, tankMix } from './field/sprayer';
import { spreadPattern, spreaderCalibration } from './field/spreader';
import { fieldGo } from './field/go';
import { hopperLoads, remaining } from './field/hopper';
import { nozzleCheck, nozzleFlow, sprayCourse, sprayPressure, spraySpeed } from './field/nozzles';
import { nextOpening, settingRate, spreaderOpening } from './field/opening';
import { fieldPasses, walkTime } from './field/passes';
import { lightPasses, smallVolume, smallWeight } from './field/small';
import { bestSwath, trayRate } from './field/swath';
import { hoseEnd, sprayTank } from './field/tank';
import { waterIn } from './field/water-in';
import { weighBack, weighError } from './field/weigh-back';
import { overOrUnder } from './log/over-or-under';
import { cycleSoak, sprinklerUniformity } from './field/watering';
import { offsetsArea } from './ground/area-offsets';
import { ringArea } from './ground/area-ring';
import { ellipseArea, trapezoidArea } from './ground/area-round';
import { triangleArea } from './ground/area-triangle';
import { areaError, walkedError } from './ground/area-error';
import { areaToFeed } from './ground/area-to-feed';
import { coreCount } from './sampling/cores';
import { cationPpm } from './soil/cation-ppm';
import { exchangeableSodium, sodiumFromSar } from './soil/exchangeable-sodium';
import { soilEce } from './soil/salinity';
import { textureClass } from './ground/texture-class';
import { gypsumRequirement } from './gypsum/requirement';
import { adamsEvansLime } from './lime/adams-evans';
import { limeEcce } from './lime/ecce';
import { smpLime } from './lime/smp';
import { nitrogenAcidity } from './nitrogen/acidity';
import { minimumNeed } from './nutrients/minimum';
import { saturationNeed } from './nutrients/saturation';
import { productAsSpread } from './products/as-spread';
import { productCoverage } from './products/coverage';
import { granuleSpacing } from './products/granules';
import { foliarSpray } from './foliar/foliar-feeds';
import { liquidDelivers, liquidRate } from './products/liquids';
import { growthPotential } from './climate/growth-potential';
import { dayLength } from './climate/day-length';
import { soilTemperature } from './climate/soil-temperature';
import { referenceEt, solarRadiation } from './climate/radiation';
import { cecBySum } from './soil/cec';
import { soilSodium, waterSar } from './soil/sodium';
import { sulfurForCarbonate } from './sulfur/carbonate';
import { salinityUnderWater } from './water/soil-salinity';
import { leachingRequirement, residualCarbonate, waterLoad } from './water/irrigation-water';

const ALL = [
  rectangleArea,
  polygonArea,
  triangleArea,
  ellipseArea,
  trapezoidArea,
  offsetsArea,
  ringArea,
  areaToFeed,
  areaError,
  walkedError,
  coreCount,
  textureClass,
  soilMass,
  methodConvert,
  cationPpm,
  bufferAcidity,
  cecBySum,
  soilSodium,
  soilEce,
  exchangeableSodium,
  sodiumFromSar,
  waterSar,
  residualCarbonate,
  waterLoad,
  leachingRequirement,
  salinityUnderWater,
  mehlichLime,
  smpLime,
  adamsEvansLime,
  textureLime,
  smpEstimate,
  firstLimeDose,
  limeEcce,
  limeMaterial,
  limeDoses,
  sulfurRequirement,
  sulfurForCarbonate,
  sulfurProduct,
  sulfurDoses,
  sulfurOfCec,
  sulfurLimeEquivalent,
  peatLimeEquivalent,
  gypsumRequirement,
  nitrogenYear,
  nitrogenAcidity,
  growthRemoval,
  nutrientBalance,
  minimumNeed,
  saturationNeed,
  oxideOfElement,
  capped,
  ownFigure,
  starterPhosphate,
  establishmentYear,
  gypsumMaterial,
  gypsumDoses,
  outstanding,
  deficitLeft,
  laboratoryAdvice,
  productRate,
  productDelivers,
  productCoverage,
  productAsSpread,
  liquidRate,
  liquidDelivers,
  foliarSpray,
  granuleSpacing,
  productSalt,
  limeUndone,
  blendOfTwo,
  blendOfThree,
  unitPrice,
  weighOutCost,
  zoneAmount,
  growthPotential,
  soilTemperature,
  dayLength,
  solarRadiation,
  referenceEt,
  spreaderCalibration,
  spreadPattern,
  gallonsPerAcre,
  tankMix,
  fieldGo,
  weighError,
  lightPasses,
  smallWeight,
  fieldPasses,
  walkTime,
  hopperLoads,
  remaining,
  spreaderOpening,
  nextOpening,
  settingRate,
  trayRate,
  bestSwath,
  nozzleCheck,
  spraySpeed,
  sprayCourse,
  nozzleFlow,
  sprayPressure,
  smallVolume,
  sprayTank,
  hoseEnd,
  waterIn,
  weighBack,
  overOrUnder,
  logTally,
  heldNitrogen,
  logDrift,
  logTiming,
  springSkip,
  logStock,
  sprinklerUniformity,
  cycleSoak,
  mowTrigger,
  topdressDepth,
  unitConvert,
] as const;

/** Every reckoning by its public id, in the order of the work. */
export const REGISTRY: ReadonlyMap<string, Reckoning> = new Map(
  ALL.map((each) => [each.id, each as unknown as Reckoning]),
);
