import { nozzleCheck, nozzleFlow, sprayCourse, sprayPressure, spraySpeed } from '@core/field/nozzles';
import { gallonsPerAcre } from '@core/field/sprayer';
import { hoseEnd } from '@core/field/tank';
import { explain, type Reckoned, type Reckoning } from '@core/reckoning/define';
import type { Inputs } from '@core/reckoning/inputs';
import type { ReckonedValue } from '@core/reckoning/define';
import type { Refusal } from '@core/reckoning/refusal';
import type { QuantityId, Units } from '../../ui/format';

/** What is typed for one input of a spray test. */
export interface SprayInput {
  key: string;
  label: string;
  /** Of a quantity; seconds, minutes and the like stand as they are. */
  quantity?: QuantityId;
  unit?: string;
  /** Several, one after the other. */
  many?: true;
  optional?: true;
}
export interface SprayTest {
  id: string;
  title: string;
  how: string;
  inputs: readonly SprayInput[];
  reckon: (given: unknown) => Reckoned | Refusal;
  says: (value: Record<string, number | readonly number[]>, units: Units) => string[];
}

const by =
  <D extends Inputs, V extends ReckonedValue>(reckoning: Reckoning<D, V>) =>
  (given: unknown): Reckoned | Refusal =>
    explain(reckoning, given);
const one = (value: unknown): number => (typeof value === 'number' ? value : 0);
const numbersOf = (value: unknown): string => (Array.isArray(value) ? value.join(', ') : '');
const SPEED: SprayInput = { key: 'speedMph', label: 'Speed', quantity: 'speed' };
const SPACING: SprayInput = { key: 'nozzleSpacingIn', label: 'Nozzles apart', quantity: 'depth' };

/** What a sprayer is tested for, in the order in which one goes about it. Limits are those of the reckonings. */
export const SPRAY_TESTS: readonly SprayTest[] = [
  {
    id: 'nozzles',
    title: 'Nozzles',
    how: 'Catch water from every nozzle for the same time, left to right.',
    inputs: [
      { key: 'caughtOz', label: 'Caught', quantity: 'bottle', many: true },
      { key: 'seconds', label: 'Time', unit: 's' },
      { key: 'ratedGpm', label: 'New nozzle', quantity: 'flow', optional: true },
    ],
    reckon: by(nozzleCheck),
    says: ({ meanGpm, off, blocked, worn, worstPercent }, units) => [
      `${units.say('flow', one(meanGpm))} on average, the farthest off by ${units.plain(one(worstPercent), 1)} %, limit 10 %.`,
      ...(numbersOf(off) ? [`Off: nozzle ${numbersOf(off)}. Clean it; if it stays off, replace it.`] : []),
      ...(numbersOf(worn) ? [`Worn: nozzle ${numbersOf(worn)} gives over 10 % more than a new one.`] : []),
      ...(numbersOf(blocked)
        ? [`Blocked: nozzle ${numbersOf(blocked)} gives nothing and is left out of the mean.`]
        : []),
    ],
  },
  {
    id: 'speed',
    title: 'Speed',
    how: 'Walk or drive a measured course at least twice, tank half full, on the turf.',
    inputs: [
      { key: 'distanceFt', label: 'Course', quantity: 'length' },
      { key: 'seconds', label: 'Times', unit: 's', many: true },
    ],
    reckon: by(spraySpeed),
    says: ({ value }, units) => [`${units.say('speed', one(value))}.`],
  },
  {
    id: 'course',
    title: 'By a measured course',
    how: 'Time how long a course of any size takes; catch what goes out in that time.',
    inputs: [
      { key: 'courseSqFt', label: 'Course', quantity: 'area' },
      { key: 'caughtOz', label: 'Caught', quantity: 'bottle' },
    ],
    reckon: by(sprayCourse),
    says: ({ galPerAcre, galPer1000 }, units) => [
      `${units.say('spray-volume', one(galPerAcre))}, that is ${units.say('carrier', one(galPer1000))}.`,
    ],
  },
  {
    id: 'volume',
    title: 'What a boom puts out',
    how: 'From the flow of one nozzle, the speed and how far apart nozzles are.',
    inputs: [{ key: 'nozzleGpm', label: 'One nozzle', quantity: 'flow' }, SPEED, SPACING],
    reckon: by(gallonsPerAcre),
    says: ({ value }, units) => [`${units.say('spray-volume', one(value))}.`],
  },
  {
    id: 'flow',
    title: 'Which nozzle',
    how: 'The flow that one nozzle needs for a spray volume.',
    inputs: [{ key: 'galPerAcre', label: 'Spray volume', quantity: 'spray-volume' }, SPEED, SPACING],
    reckon: by(nozzleFlow),
    says: ({ value }, units) => [`${units.say('flow', one(value))} from each nozzle.`],
  },
  {
    id: 'pressure',
    title: 'Pressure',
    how: 'Flow goes with the root of the pressure; over a quarter more or less takes other nozzles.',
    inputs: [
      { key: 'pressurePsi', label: 'Pressure now', quantity: 'pressure' },
      { key: 'flowGpm', label: 'Flow now', quantity: 'flow' },
      { key: 'wantedGpm', label: 'Flow wanted', quantity: 'flow' },
    ],
    reckon: by(sprayPressure),
    says: ({ value }, units) => [`${units.say('pressure', one(value))}.`],
  },
  {
    id: 'hose-end',
    title: 'Hose-end bottle',
    how: 'Time a full bottle of the product itself until it is empty: thick ones run slower. It spreads unevenly: supplements only.',
    inputs: [
      { key: 'bottleOz', label: 'Full bottle', quantity: 'bottle' },
      { key: 'ozPer1000', label: 'Rate', quantity: 'liquid-rate' },
      { key: 'emptyMinutes', label: 'Empty in', unit: 'min' },
      { key: 'hoseGpm', label: 'Hose gives', quantity: 'flow', optional: true },
    ],
    reckon: by(hoseEnd),
    says: ({ areaPerBottleSqFt, minutesPer1000, carrierGalPer1000 }, units) => [
      `A bottle does ${units.say('area', one(areaPerBottleSqFt))}; walk ${units.say('area', 250)} in ${units.plain(one(minutesPer1000) * 15, 0)} s.`,
      ...(carrierGalPer1000 === undefined
        ? []
        : [`${units.say('carrier', one(carrierGalPer1000))} of water goes with it.`]),
    ],
  },
];
