import { defineReckoning } from '../reckoning/define';
import { inches, quantity, squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { FL_OZ_PER_GAL, SQ_FT_PER_ACRE } from '../units/conversions';

/** GPA = 5940 × GPM ÷ (mph × spacing in): 43,560 ft2 × 60 min × 12 in over 5280 ft. Derived. */
export const BOOM_CONSTANT = (SQ_FT_PER_ACRE * 60 * 12) / 5280;

/** Spray volume of a boom, gal/acre. 0.4 gal/min at 4 mph and 20 in: 29.7. */
export const gallonsPerAcre = defineReckoning({
  id: 'spray.gallons-per-acre',
  title: 'Boom spray volume',
  about: 'Gallons an acre from nozzle flow, speed and nozzle spacing.',
  inputs: {
    nozzleGpm: quantity('gal/min')('flow of one nozzle', { min: 0, max: 50 }),
    speedMph: quantity('mph')('speed', { above: 0, max: 30 }),
    nozzleSpacingIn: inches('nozzle spacing', { above: 0, max: 120 }),
  },
  unit: 'gal/acre',
  formula: ['GPA = 5940 × GPM ÷ (mph × spacing)'],
  sources: [
    { cite: 'Standard boom formula; 5940 derived from the acre, the mile and the hour', standing: 'published' },
  ],
  limits: ['All nozzles within 10 % of each other.'],
  example: { inputs: { nozzleGpm: 0.4, speedMph: 4, nozzleSpacingIn: 20 }, value: 29.7 },
  reckon: ({ nozzleGpm, speedMph, nozzleSpacingIn }, work) =>
    work.step(
      'volume',
      '5940 × nozzleGpm ÷ (speedMph × nozzleSpacingIn)',
      { nozzleGpm, speedMph, nozzleSpacingIn },
      (BOOM_CONSTANT * nozzleGpm) / (speedMph * nozzleSpacingIn),
      'gal/acre',
    ),
});

/** Product and water by the tank. 5000 ft2, 8 oz and 2 gal per 1000, 4 gal tank: 2 full tanks and one of 2 gal. */
export const tankMix = defineReckoning({
  id: 'spray.tank-mix',
  title: 'Tank mix',
  about: 'Carrier is the finished spray: water is what is left beside the product. Full tanks first, then the last.',
  inputs: {
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    ozPer1000: quantity('fl oz product')('product rate', { min: 0, max: 1000 }),
    carrierGalPer1000: quantity('gal')('finished spray per 1000 ft2', { above: 0, max: 100 }),
    tankGal: quantity('gal')('tank', { above: 0, max: 2000 }),
  },
  unit: 'waterGal: gal; productOz: fl oz product; fullTanks: tanks; lastTankGal: gal; ozPerFullTank and ozInLastTank: fl oz product',
  formula: [
    'spray = area ÷ 1000 × carrier',
    'product = area ÷ 1000 × rate',
    'water = spray − product ÷ 128',
    'full tanks = floor(spray ÷ tank)',
  ],
  sources: [
    { cite: 'Definition of rates per 1000 ft2; 128 fl oz to the gallon (NIST Handbook 44)', standing: 'published' },
  ],
  limits: ['Jar test a new mix; agitate; the label decides the order of mixing.'],
  example: {
    inputs: { areaSqFt: 5000, ozPer1000: 8, carrierGalPer1000: 2, tankGal: 4 },
    value: { waterGal: 9.6875, productOz: 40, fullTanks: 2, lastTankGal: 2, ozPerFullTank: 16, ozInLastTank: 8 },
  },
  reckon({ areaSqFt, ozPer1000, carrierGalPer1000, tankGal }, work) {
    if (ozPer1000 / FL_OZ_PER_GAL > carrierGalPer1000)
      return refuse(
        'ozPer1000',
        `${ozPer1000} fl oz of product alone is more than the ${carrierGalPer1000} gal of finished spray per 1000 ft2. Check both rates.`,
      );
    const spray = work.step(
      'finished spray',
      'areaSqFt ÷ 1000 × carrierGalPer1000',
      { areaSqFt, carrierGalPer1000 },
      (areaSqFt / 1000) * carrierGalPer1000,
      'gal',
    );
    const productOz = work.step(
      'product',
      'areaSqFt ÷ 1000 × ozPer1000',
      { areaSqFt, ozPer1000 },
      (areaSqFt / 1000) * ozPer1000,
      'fl oz product',
    );
    const waterGal = work.step(
      'water',
      'spray − productOz ÷ 128',
      { spray, productOz },
      spray - productOz / FL_OZ_PER_GAL,
      'gal',
    );
    // the allowance keeps 12 gal in 4 gal tanks from leaving a last tank of nothing
    const fullTanks = Math.floor(spray / tankGal + 1e-9);
    work.note('full tanks', 'whole part of spray ÷ tank', fullTanks, 'tanks');
    const lastTankGal = work.step(
      'last tank',
      'max(0, spray − fullTanks × tankGal)',
      { spray, fullTanks, tankGal },
      Math.max(0, spray - fullTanks * tankGal),
      'gal',
    );
    const settled = lastTankGal < 1e-9 ? 0 : lastTankGal;
    const perGal = ozPer1000 / carrierGalPer1000;
    return {
      waterGal,
      productOz,
      fullTanks,
      lastTankGal: settled,
      ozPerFullTank: fullTanks > 0 ? perGal * tankGal : 0,
      ozInLastTank: perGal * settled,
    };
  },
});
