import { defineReckoning } from '../reckoning/define';
import { choice, quantity, squareFeet } from '../reckoning/inputs';
import { type Refusal, refuse } from '../reckoning/refusal';
import { FL_OZ_PER_GAL } from '../units/conversions';

/** Room that a dissolved pound takes, gal: the middle of 0.03 to 0.09 by salt, unsure. Common practice. */
export const DRY_GAL_PER_LB = 0.045;
const SPLITS = ['full-then-rest', 'equal'] as const;

/** Several products in tanks. 10,000 ft2 at 1 gal, tank 5, 12.8 fl oz of one: two full tanks of 64 fl oz. */
export const sprayTank = defineReckoning({
  id: 'spray.tank',
  title: 'Tank of several products',
  about:
    'Any number of liquids and dissolved solids in finished spray: what each tank holds of each, and the water beside them.',
  inputs: {
    areaSqFt: squareFeet('area', { above: 0, max: 50_000_000 }),
    carrierGalPer1000: quantity('gal')('finished spray per 1000 ft2', { above: 0, max: 100 }),
    tankGal: quantity('gal')('tank', { above: 0, max: 2000 }),
    liquidsOzPer1000: { kind: 'amounts', unit: 'fl oz product/1000 ft2', label: 'liquids', min: 0, max: 10_000 },
    drysLbPer1000: {
      kind: 'amounts',
      unit: 'lb product/1000 ft2',
      label: 'dry solubles',
      min: 0,
      max: 1000,
      optional: true,
    },
    dryGalPerLb: quantity('gal/lb')('room of a dissolved pound', { min: 0, max: 0.2, optional: true }),
    split: choice('how the tanks are parted', SPLITS, { optional: true }),
  },
  unit: 'sprayGal, waterGal, fullTankGal, lastTankGal, waterPerFullTankGal and waterLastTankGal: gal; tanks and fullTanks: tanks; NAME.all, NAME.perFullTank and NAME.lastTank: fl oz product of a liquid, lb product of a dry one',
  formula: [
    'spray = area ÷ 1000 × carrier',
    'water = spray − liquids ÷ 128 − drys × room',
    'full tanks first and the rest, or equal tanks',
  ],
  sources: [
    { cite: 'Definition of rates per 1000 ft2; 128 fl oz to the gallon (NIST Handbook 44)', standing: 'published' },
    { cite: 'Room of a dissolved pound, 0.045 gal', standing: 'common practice' },
  ],
  limits: [
    'Jar test a new mix; agitate; the label decides the order of mixing.',
    'Above the tank’s size nothing is put in.',
  ],
  example: {
    inputs: { areaSqFt: 10_000, carrierGalPer1000: 1, tankGal: 5, liquidsOzPer1000: { iron: 12.8 } },
    value: {
      sprayGal: 10,
      waterGal: 9,
      tanks: 2,
      fullTanks: 2,
      fullTankGal: 5,
      lastTankGal: 0,
      waterPerFullTankGal: 4.5,
      waterLastTankGal: 0,
      'iron.all': 128,
      'iron.perFullTank': 64,
      'iron.lastTank': 0,
    },
  },
  reckon(
    {
      areaSqFt,
      carrierGalPer1000,
      tankGal,
      liquidsOzPer1000,
      drysLbPer1000 = {},
      dryGalPerLb = DRY_GAL_PER_LB,
      split = 'full-then-rest',
    },
    work,
  ): Record<string, number> | Refusal {
    const thousands = areaSqFt / 1000;
    const sprayGal = work.step(
      'finished spray',
      'areaSqFt ÷ 1000 × carrierGalPer1000',
      { areaSqFt, carrierGalPer1000 },
      thousands * carrierGalPer1000,
      'gal',
    );
    const all = [...Object.entries(liquidsOzPer1000), ...Object.entries(drysLbPer1000)].map(
      ([name, rate]) => [name, rate * thousands] as const,
    );
    const liquidOz = Object.values(liquidsOzPer1000).reduce((a, b) => a + b, 0) * thousands;
    const dryLb = Object.values(drysLbPer1000).reduce((a, b) => a + b, 0) * thousands;
    const waterGal = work.step(
      'water',
      'sprayGal − liquidOz ÷ 128 − dryLb × dryGalPerLb',
      { sprayGal, liquidOz, dryLb, dryGalPerLb },
      sprayGal - liquidOz / FL_OZ_PER_GAL - dryLb * dryGalPerLb,
      'gal',
    );
    if (waterGal <= 0)
      return refuse(
        'carrierGalPer1000',
        `The products alone fill ${carrierGalPer1000} gal of finished spray per 1000 ft2: use more water, or less of them.`,
      );
    // the allowance keeps 10 gal in 5 gal tanks from leaving a last tank of nothing
    const wanted = Math.ceil(sprayGal / tankGal - 1e-9);
    const fullTanks = split === 'equal' ? wanted : Math.floor(sprayGal / tankGal + 1e-9);
    const fullTankGal = fullTanks === 0 ? 0 : split === 'equal' ? sprayGal / wanted : tankGal;
    const rest = sprayGal - fullTanks * fullTankGal;
    const lastTankGal = rest < 1e-9 ? 0 : rest;
    work.note('tanks', split === 'equal' ? 'equal ones' : 'full ones and the rest', wanted, 'tanks');
    const share = (gal: number) => gal / sprayGal;
    return {
      sprayGal,
      waterGal,
      tanks: wanted,
      fullTanks,
      fullTankGal,
      lastTankGal,
      waterPerFullTankGal: waterGal * share(fullTankGal),
      waterLastTankGal: waterGal * share(lastTankGal),
      ...Object.fromEntries(
        all.flatMap(([name, amount]) => [
          [`${name}.all`, amount],
          [`${name}.perFullTank`, amount * share(fullTankGal)],
          [`${name}.lastTank`, amount * share(lastTankGal)],
        ]),
      ),
    };
  },
});

/** A hose-end bottle. 32 fl oz at 8 fl oz per 1000, empty in 4 min: 4000 ft2, 1 min per 1000. */
export const hoseEnd = defineReckoning({
  id: 'spray.hose-end',
  title: 'Hose-end bottle',
  about: 'A full bottle timed until it is empty says how much ground it covers and how fast one walks.',
  inputs: {
    bottleOz: quantity('fl oz product')('full bottle', { above: 0, max: 1000 }),
    ozPer1000: quantity('fl oz product')('rate per 1000 ft2', { above: 0, max: 1000 }),
    emptyMinutes: quantity('min')('time until it is empty', { above: 0, max: 600 }),
    hoseGpm: quantity('gal/min')('flow of the hose', { above: 0, max: 100, optional: true }),
  },
  unit: 'areaPerBottleSqFt: ft2; minutesPer1000: min / 1000 ft2; carrierGalPer1000: gal / 1000 ft2',
  formula: ['ground = bottle ÷ rate × 1000', 'walk = minutes ÷ ground × 1000', 'water = flow × walk'],
  sources: [
    { cite: 'Definition of a rate; timed with the product itself, thick ones run slower', standing: 'common practice' },
  ],
  limits: ['A hose-end bottle spreads unevenly: supplements only.'],
  example: {
    inputs: { bottleOz: 32, ozPer1000: 8, emptyMinutes: 4, hoseGpm: 5 },
    value: { areaPerBottleSqFt: 4000, minutesPer1000: 1, carrierGalPer1000: 5 },
  },
  reckon({ bottleOz, ozPer1000, emptyMinutes, hoseGpm }, work): Record<string, number> {
    const areaPerBottleSqFt = work.step(
      'ground of a bottle',
      'bottleOz ÷ ozPer1000 × 1000',
      { bottleOz, ozPer1000 },
      (bottleOz / ozPer1000) * 1000,
      'ft2',
    );
    const minutesPer1000 = work.step(
      'walk',
      'emptyMinutes ÷ areaPerBottleSqFt × 1000',
      { emptyMinutes, areaPerBottleSqFt },
      (emptyMinutes / areaPerBottleSqFt) * 1000,
      'min',
    );
    if (hoseGpm === undefined) return { areaPerBottleSqFt, minutesPer1000 };
    return {
      areaPerBottleSqFt,
      minutesPer1000,
      carrierGalPer1000: work.step(
        'water',
        'hoseGpm × minutesPer1000',
        { hoseGpm, minutesPer1000 },
        hoseGpm * minutesPer1000,
        'gal',
      ),
    };
  },
});
