import { defineReckoning } from '../reckoning/define';
import { choice, percent, plain, quantity } from '../reckoning/inputs';

/** Organic matter credit, lb N per percent above 2, and its most. Common practice. */
const OM_CREDIT_PER_PERCENT = 0.25;
const OM_CREDIT_MOST = 1;
/** Clippings returned: share of the year's N, and its most. Kopp & Guillard 2002; from memory (trials show up to half). */
const CLIPPINGS_SHARE = 0.25;
const CLIPPINGS_MOST = 1;

const poundsN = quantity('lb N');

/** Organic matter and shade together take at most this share of the base (C6). Common practice. */
const CREDITS_MOST_SHARE = 0.5;
/** Turf that is fed at all is never fed under this in a year, lb N/1000 ft2 (C6). Common practice: the least useful dose. */
const LEAST_YEAR_LB = 0.5;

/** One line of the walk from the grass's base to the year's nitrogen. */
export interface NitrogenLine {
  id:
    | 'base'
    | 'starter'
    | 'second'
    | 'later'
    | 'shade'
    | 'dry'
    | 'organic-matter'
    | 'clippings'
    | 'young'
    | 'wear'
    | 'carry-over'
    | 'water'
    | 'credits'
    | 'floor'
    | 'least'
    | 'ceiling'
    | 'code'
    | 'part'
    | 'winter';
  /** What the line adds or takes, lb N/1000 ft2. */
  lb: number;
}

export interface NitrogenYearInputs {
  baseLb: number;
  shadePercent?: number;
  dryPercent?: number;
  organicMatterPercent?: number;
  clippings?: 'returned' | 'bagged';
  youngLb?: number;
  wearLb?: number;
  carryOverLb?: number;
  /** Nitrate of the irrigation water. */
  waterLb?: number;
  ceilingLb: number;
  codeLb?: number;
  /** Nitrogen that is down already in this year, and the share of a year that is still ahead. */
  givenLb?: number;
  aheadShare?: number;
  /** What the kept plan still brings: it was laid for the whole year, and what goes as planned is not cut. */
  keptAheadLb?: number;
  /** What a winter grass over warm-season turf is fed in the year (C9). */
  winterLb?: number;
}

/**
 * The walk from base to year, line by line: multipliers first, then the additive lines, then 0..ceiling, then the local code, then
 * what of a year is still ahead, then a winter grass over it. The lines always add up to the year. Organic matter and shade take at most half of the base, and
 * turf that is fed keeps half a pound (C6). Base 3 with 3.1 % OM, clippings returned, wear 0.5: 3 − 0.275 − 0.75 + 0.5.
 */
export function nitrogenWalk(given: NitrogenYearInputs): { yearLb: number; lines: NitrogenLine[] } {
  const lines: NitrogenLine[] = [{ id: 'base', lb: given.baseLb }];
  let year = given.baseLb;
  const add = (id: NitrogenLine['id'], lb: number) => {
    if (lb === 0) return;
    lines.push({ id, lb });
    year += lb;
  };
  const shade = (given.baseLb * (given.shadePercent ?? 0)) / 100;
  add('shade', -shade);
  add('dry', (-year * (given.dryPercent ?? 0)) / 100);
  const adjusted = year;
  const organic = organicCredit(given.organicMatterPercent ?? 0);
  add('organic-matter', -organic);
  const most = given.baseLb * CREDITS_MOST_SHARE;
  if (shade + organic > most) add('credits', Math.min(organic, shade + organic - most));
  if (given.clippings === 'returned') add('clippings', -Math.min(CLIPPINGS_MOST, CLIPPINGS_SHARE * adjusted));
  add('young', given.youngLb ?? 0);
  add('wear', given.wearLb ?? 0);
  add('carry-over', -(given.carryOverLb ?? 0));
  add('water', -(given.waterLb ?? 0));
  if (given.baseLb > 0 && year < LEAST_YEAR_LB) add('least', LEAST_YEAR_LB - year);
  if (year < 0) add('floor', -year);
  if (year > given.ceilingLb) add('ceiling', given.ceilingLb - year);
  if (given.codeLb !== undefined && year > given.codeLb) add('code', given.codeLb - year);
  const whole = Math.max(0, year);
  const part = (given.givenLb ?? 0) + Math.max(whole * (given.aheadShare ?? 1), given.keptAheadLb ?? 0);
  if (part < whole) add('part', part - whole);
  const left = Math.min(whole, part);
  // the grass that stands all year comes first where a code holds both
  const winter = Math.min(given.winterLb ?? 0, Math.max(0, (given.codeLb ?? Infinity) - left));
  if (winter > 0) add('winter', winter);
  return { yearLb: left + winter, lines };
}

const organicCredit = (percent: number): number =>
  Math.min(OM_CREDIT_MOST, OM_CREDIT_PER_PERCENT * Math.max(0, percent - 2));

/** Nitrogen for the year, lb N/1000 ft2. Base 3, clippings returned, ceiling 5: 2.25. */
export const nitrogenYear = defineReckoning({
  id: 'nitrogen.year',
  title: 'Nitrogen for the year',
  about:
    'From the grass and its care, with what shade, drought, soil, clippings, youth and wear add or take, under the grass’s ceiling and the local code.',
  inputs: {
    baseLb: poundsN('base for grass and care', { min: 0, max: 10 }),
    shadePercent: percent('less for shade', { optional: true, max: 60 }),
    dryPercent: percent('less for no irrigation', { optional: true, max: 60 }),
    organicMatterPercent: percent('organic matter', { optional: true }),
    clippings: choice('clippings', ['returned', 'bagged'] as const, { optional: true }),
    youngLb: poundsN('more for a young stand', { optional: true, min: 0, max: 1 }),
    wearLb: poundsN('more for wear', { optional: true, min: 0, max: 1 }),
    carryOverLb: poundsN('carry-over from slow release', { optional: true, min: 0, max: 10 }),
    waterLb: poundsN('nitrate of the irrigation water', { optional: true, min: 0, max: 100 }),
    ceilingLb: poundsN('ceiling of the grass', { min: 0, max: 10 }),
    codeLb: poundsN('most a year by local code', { optional: true, min: 0, max: 20 }),
    givenLb: poundsN('down already this year', { optional: true, min: 0, max: 1e6 }),
    aheadShare: plain('share of the year still ahead', { optional: true, min: 0, max: 1 }),
    keptAheadLb: poundsN('the kept plan still brings', { optional: true, min: 0, max: 1e6 }),
    winterLb: poundsN('a winter grass over it', { optional: true, min: 0, max: 10 }),
  },
  unit: 'lb N / 1000 ft2',
  formula: [
    'adjusted = base × (1 − shade) × (1 − dry)',
    'OM credit and shade together at most half of the base',
    'year = adjusted − OM credit − clippings credit + young + wear − carry-over − nitrate of the water',
    'never under 0.5 where the base is above 0; then within the ceiling, then within the code',
    'of a year begun: at most what is down, plus the share still ahead or what the kept plan still brings, whichever is more',
    'plus the feedings of a winter grass over it, within the code',
  ],
  sources: [
    { cite: 'Land-grant turf bulletins: yearly N by grass and care', standing: 'from memory' },
    { cite: 'Kopp & Guillard 2002, Crop Science 42:1225-1231 (clippings)', standing: 'from memory' },
    { cite: 'Shade, irrigation, age, wear and organic matter adjustments', standing: 'common practice' },
  ],
  limits: [
    'Organic matter from a 0-4 in sample without thatch.',
    'The clippings credit is a quarter of the adjusted nitrogen, at most 1 lb N.',
  ],
  example: { inputs: { baseLb: 3, clippings: 'returned', ceilingLb: 5 }, value: 2.25 },
  reckon(given, work) {
    const {
      baseLb,
      shadePercent = 0,
      dryPercent = 0,
      organicMatterPercent = 0,
      youngLb = 0,
      wearLb = 0,
      carryOverLb = 0,
      waterLb = 0,
      ceilingLb,
      codeLb,
      givenLb,
      aheadShare,
      keptAheadLb = 0,
      winterLb = 0,
    } = given;
    const adjusted = work.step(
      'base after shade and drought',
      'baseLb × (1 − shadePercent ÷ 100) × (1 − dryPercent ÷ 100)',
      { baseLb, shadePercent, dryPercent },
      baseLb * (1 - shadePercent / 100) * (1 - dryPercent / 100),
      'lb N',
    );
    const shade = (baseLb * shadePercent) / 100;
    const omCredit = work.step(
      'organic matter gives',
      'min(1, 0.25 × max(0, organicMatterPercent − 2), max(0, baseLb ÷ 2 − shade))',
      { organicMatterPercent, baseLb, shade },
      Math.min(organicCredit(organicMatterPercent), Math.max(0, baseLb * CREDITS_MOST_SHARE - shade)),
      'lb N',
    );
    const clippingsCredit =
      given.clippings === 'returned'
        ? work.step(
            'clippings give',
            'min(1, 0.25 × adjusted)',
            { adjusted },
            Math.min(CLIPPINGS_MOST, CLIPPINGS_SHARE * adjusted),
            'lb N',
          )
        : 0;
    const asked = work.step(
      'year before ceilings',
      'adjusted − omCredit − clippingsCredit + youngLb + wearLb − carryOverLb − waterLb',
      { adjusted, omCredit, clippingsCredit, youngLb, wearLb, carryOverLb, waterLb },
      adjusted - omCredit - clippingsCredit + youngLb + wearLb - carryOverLb - waterLb,
      'lb N',
    );
    const least = baseLb > 0 ? LEAST_YEAR_LB : 0;
    if (asked < least) work.caution('The credits alone meet the need: half a pound keeps fed turf green.');
    if (asked > ceilingLb) work.caution(`Held to the grass’s ceiling, ${ceilingLb} lb N per 1000 ft2 a year.`);
    if (codeLb !== undefined && Math.min(Math.max(least, asked), ceilingLb) > codeLb)
      work.caution(`Held to the local code, ${codeLb} lb N per 1000 ft2 a year.`);
    const held = Math.min(codeLb ?? Infinity, ceilingLb, Math.max(least, asked));
    const whole =
      codeLb === undefined
        ? work.step('year', 'min(ceilingLb, max(least, asked))', { asked, least, ceilingLb }, held, 'lb N')
        : work.step(
            'year',
            'min(codeLb, min(ceilingLb, max(least, asked)))',
            { asked, least, ceilingLb, codeLb },
            held,
            'lb N',
          );
    const down = givenLb ?? 0;
    const left =
      aheadShare === undefined || aheadShare >= 1
        ? whole
        : work.step(
            'part of the year left',
            'min(whole, down + max(whole × aheadShare, keptAheadLb))',
            { whole, down, aheadShare, keptAheadLb },
            Math.min(whole, down + Math.max(whole * aheadShare, keptAheadLb)),
            'lb N',
          );
    if (winterLb === 0) return left;
    return codeLb === undefined
      ? work.step('with the winter grass', 'left + winterLb', { left, winterLb }, left + winterLb, 'lb N')
      : work.step(
          'with the winter grass',
          'left + min(winterLb, max(0, codeLb − left))',
          { left, winterLb, codeLb },
          left + Math.min(winterLb, Math.max(0, codeLb - left)),
          'lb N',
        );
  },
});
