import { defineReckoning } from '../reckoning/define';
import { inches, quantity, squareFeet } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { FL_OZ_PER_GAL, SQ_FT_PER_ACRE, THOUSANDS_PER_ACRE } from '../units/conversions';
import { BOOM_CONSTANT } from './sprayer';

/** A nozzle so far off the mean, or over its rated flow, is cleaned and then replaced, as a share. Common practice. */
const MOST_OFF = 0.1;
const mean = (list: readonly number[]): number => list.reduce((a, b) => a + b, 0) / list.length;

/** Which nozzles are off. 30, 30, 36 and 0 fl oz in 60 s: the third is off, the fourth is blocked. */
export const nozzleCheck = defineReckoning({
  id: 'spray.nozzle-check',
  title: 'Nozzle check',
  about:
    'Every nozzle is caught for the same time: what is off is cleaned and then replaced, what is blocked gives nothing.',
  inputs: {
    caughtOz: { kind: 'numbers', unit: 'fl oz', label: 'caught from each nozzle', leastCount: 1, min: 0 },
    seconds: quantity('s')('time of each catch', { above: 0, max: 3600 }),
    ratedGpm: quantity('gal/min')('flow of a new nozzle at this pressure', { above: 0, max: 50, optional: true }),
  },
  unit: 'meanGpm: gal/min; off, blocked and worn: numbers of nozzles; worstPercent: %',
  formula: [
    'mean of those that give',
    'off = more than 10 % from the mean',
    'worn = more than 10 % over the rated flow',
  ],
  sources: [{ cite: 'All nozzles within 10 %', standing: 'common practice' }],
  limits: ['Check again after any change.', 'At most 200 nozzles.'],
  example: {
    inputs: { caughtOz: [32, 32, 32, 0], seconds: 60 },
    value: { meanGpm: 0.25, off: [], blocked: [4], worn: [], worstPercent: 0 },
  },
  reckon({ caughtOz, seconds, ratedGpm }, work) {
    if (caughtOz.length > 200) return refuse('caughtOz', `At most 200 nozzles; ${caughtOz.length} are given.`);
    const giving = caughtOz.filter((oz) => oz > 0);
    if (giving.length === 0) return refuse('caughtOz', 'Every nozzle is blocked: is the pump on and the valve open?');
    const meanOz = mean(giving);
    const gpm = (oz: number) => ((oz / FL_OZ_PER_GAL) * 60) / seconds;
    const meanGpm = work.step('mean flow', 'meanOz ÷ 128 × 60 ÷ seconds', { meanOz, seconds }, gpm(meanOz), 'gal/min');
    const numbers = (is: (oz: number) => boolean) => caughtOz.flatMap((oz, i) => (is(oz) ? [i + 1] : []));
    const off = numbers((oz) => oz > 0 && Math.abs(oz / meanOz - 1) > MOST_OFF + 1e-9);
    const worn = ratedGpm === undefined ? [] : numbers((oz) => gpm(oz) / ratedGpm - 1 > MOST_OFF + 1e-9);
    const worstPercent = Math.max(...giving.map((oz) => Math.abs(oz / meanOz - 1) * 100));
    work.note('worst', 'farthest from the mean', worstPercent, '%');
    return { meanGpm, off, blocked: numbers((oz) => oz === 0), worn, worstPercent };
  },
});

/** Walking or driving speed over a measured course. 88 ft in 20 s: 3 mph. */
export const spraySpeed = defineReckoning({
  id: 'spray.speed',
  title: 'Speed over a course',
  about: 'Two or more runs over a measured course, tank half full, on the turf itself.',
  inputs: {
    distanceFt: quantity('ft')('length of the course', { above: 0, max: 10_000 }),
    seconds: { kind: 'numbers', unit: 's', label: 'time of each run', leastCount: 1, min: 0.1 },
  },
  unit: 'mph',
  formula: ['speed = feet ÷ mean seconds × 3600 ÷ 5280'],
  sources: [{ cite: 'Definition of the mile per hour: 5280 ft in 3600 s', standing: 'published' }],
  limits: ['Runs that differ by more than 5 % are run again (common practice).'],
  example: { inputs: { distanceFt: 88, seconds: [20, 20] }, value: 3 },
  reckon({ distanceFt, seconds }, work) {
    const meanSeconds = mean(seconds);
    if ((Math.max(...seconds) - Math.min(...seconds)) / meanSeconds > 0.05 + 1e-9)
      work.caution('The runs differ by more than 5 %: run it again.');
    return work.step(
      'speed',
      'distanceFt ÷ meanSeconds × 3600 ÷ 5280',
      { distanceFt, meanSeconds },
      ((distanceFt / meanSeconds) * 3600) / 5280,
      'mph',
    );
  },
});

/** Spray volume by a course. 40 fl oz on 1/128 acre, 340.3125 ft2: 40 gal/acre. */
export const sprayCourse = defineReckoning({
  id: 'spray.course',
  title: 'Spray volume by a course',
  about: 'What is caught in the time that a course takes; on 1/128 acre the ounces are gallons an acre.',
  inputs: {
    courseSqFt: squareFeet('area of the course', { above: 0, max: 50_000 }),
    caughtOz: quantity('fl oz')('caught in the time it takes', { min: 0, max: 100_000 }),
  },
  unit: 'galPerAcre: gal/acre; galPer1000: gal / 1000 ft2',
  formula: ['gal/acre = oz ÷ 128 × 43,560 ÷ course'],
  sources: [
    { cite: 'Derived: 43,560 ft2 to the acre, 128 fl oz to the gallon (NIST Handbook 44)', standing: 'published' },
  ],
  limits: ['One pressure, one speed, one nozzle or the whole gun.'],
  example: { inputs: { courseSqFt: 340.3125, caughtOz: 43.56 }, value: { galPerAcre: 43.56, galPer1000: 1 } },
  reckon({ courseSqFt, caughtOz }, work) {
    const galPerAcre = work.step(
      'volume',
      'caughtOz ÷ 128 × 43560 ÷ courseSqFt',
      { caughtOz, courseSqFt },
      ((caughtOz / FL_OZ_PER_GAL) * SQ_FT_PER_ACRE) / courseSqFt,
      'gal/acre',
    );
    return {
      galPerAcre,
      galPer1000: work.step(
        'per 1000 ft2',
        'galPerAcre ÷ 43.56',
        { galPerAcre },
        galPerAcre / THOUSANDS_PER_ACRE,
        'gal',
      ),
    };
  },
});

/** Flow a nozzle must give. 29.7 gal/acre at 4 mph and 20 in: 0.4 gal/min. */
export const nozzleFlow = defineReckoning({
  id: 'spray.nozzle-flow',
  title: 'Flow of a nozzle',
  about: 'Which nozzle a volume asks for, at the speed and spacing one has.',
  inputs: {
    galPerAcre: quantity('gal/acre')('spray volume', { min: 0, max: 2000 }),
    speedMph: quantity('mph')('speed', { above: 0, max: 30 }),
    nozzleSpacingIn: inches('nozzle spacing', { above: 0, max: 120 }),
  },
  unit: 'gal/min',
  formula: ['flow = GPA × mph × spacing ÷ 5940'],
  sources: [
    { cite: 'Standard boom formula; 5940 derived from the acre, the mile and the hour', standing: 'published' },
  ],
  limits: ['One nozzle; a boom has so many times more.'],
  example: { inputs: { galPerAcre: 29.7, speedMph: 4, nozzleSpacingIn: 20 }, value: 0.4 },
  reckon: ({ galPerAcre, speedMph, nozzleSpacingIn }, work) =>
    work.step(
      'flow',
      'galPerAcre × speedMph × nozzleSpacingIn ÷ 5940',
      { galPerAcre, speedMph, nozzleSpacingIn },
      (galPerAcre * speedMph * nozzleSpacingIn) / BOOM_CONSTANT,
      'gal/min',
    ),
});

/** Pressure for another flow. 40 psi, from 0.2 to 0.22 gal/min: 48.4 psi. */
export const sprayPressure = defineReckoning({
  id: 'spray.pressure',
  title: 'Pressure for a flow',
  about: 'Flow goes with the root of the pressure: small changes by the valve, larger ones by other nozzles.',
  inputs: {
    pressurePsi: quantity('psi')('pressure now', { above: 0, max: 1000 }),
    flowGpm: quantity('gal/min')('flow now', { above: 0, max: 100 }),
    wantedGpm: quantity('gal/min')('flow wanted', { above: 0, max: 100 }),
  },
  unit: 'psi',
  formula: ['pressure = pressure now × (wanted ÷ now)²'],
  sources: [{ cite: 'Orifice flow: flow goes with the root of the pressure', standing: 'published' }],
  limits: ['A change of flow over 25 % asks for other nozzles: drops become mist, or streams.'],
  example: { inputs: { pressurePsi: 40, flowGpm: 0.2, wantedGpm: 0.22 }, value: 48.4 },
  reckon({ pressurePsi, flowGpm, wantedGpm }, work) {
    if (Math.abs(wantedGpm / flowGpm - 1) > 0.25 + 1e-9)
      work.caution('The flow would change by more than 25 %: take other nozzles instead.');
    return work.step(
      'pressure',
      'pressurePsi × (wantedGpm ÷ flowGpm) × (wantedGpm ÷ flowGpm)',
      { pressurePsi, wantedGpm, flowGpm },
      pressurePsi * (wantedGpm / flowGpm) ** 2,
      'psi',
    );
  },
});
