import { polygonArea } from './ground/area-polygon';
import { rectangleArea } from './ground/area-rectangle';
import { zoneAmount } from './field/zone-amount';
import { limeDoses } from './lime/doses';
import { limeMaterial } from './lime/material';
import { mehlichLime } from './lime/mehlich';
import { textureLime } from './lime/texture-table';
import { nitrogenYear } from './nitrogen/year';
import { capped } from './prescription/capped';
import { nutrientBalance } from './nutrients/balance';
import { oxideOfElement } from './nutrients/oxide';
import { growthRemoval } from './nutrients/removal';
import { productDelivers } from './products/delivers';
import { productRate } from './products/rate';
import type { Reckoning } from './reckoning/define';
import { bufferAcidity } from './soil/buffer-acidity';
import { methodConvert } from './soil/method-convert';
import { soilMass } from './soil/soil-mass';
import { sulfurDoses } from './sulfur/doses';
import { sulfurProduct } from './sulfur/product';
import { sulfurRequirement } from './sulfur/requirement';

const ALL = [
  polygonArea,
  rectangleArea,
  soilMass,
  methodConvert,
  bufferAcidity,
  mehlichLime,
  textureLime,
  limeMaterial,
  limeDoses,
  sulfurRequirement,
  sulfurProduct,
  sulfurDoses,
  nutrientBalance,
  growthRemoval,
  oxideOfElement,
  capped,
  nitrogenYear,
  productRate,
  productDelivers,
  zoneAmount,
] as const;

/** Every reckoning by its public id, in the order of the work. */
export const REGISTRY: ReadonlyMap<string, Reckoning> = new Map(
  ALL.map((each) => [each.id, each as unknown as Reckoning]),
);
