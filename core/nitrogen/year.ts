import { defineReckoning } from '../reckoning/define';
import { choice, percent, quantity } from '../reckoning/inputs';

/** Organic matter credit, lb N per percent above 2, and its most. Common practice. */
const OM_CREDIT_PER_PERCENT = 0.25;
const OM_CREDIT_MOST = 1;
/** Clippings returned: share of the year's N, and its most. Kopp & Guillard 2002; from memory (trials show up to half). */
const CLIPPINGS_SHARE = 0.25;
const CLIPPINGS_MOST = 1;

const poundsN = quantity('lb N');

/** One line of the walk from the grass's base to the year's nitrogen. */
export interface NitrogenLine {
  id:
    | 'base'
    | 'shade'
    | 'dry'
    | 'organic-matter'
    | 'clippings'
    | 'young'
    | 'wear'
    | 'carry-over'
    | 'floor'
    | 'ceiling'
    | 'code';
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
  ceilingLb: number;
  codeLb?: number;
}

/**
 * The walk from base to year, line by line: multipliers first, then the additive lines, then 0..ceiling, then the local
 * code. The lines always add up to the year. Base 3 with 3.1 % OM, clippings returned, wear 0.5: 3 − 0.275 − 0.75 + 0.5.
 */
export function nitrogenWalk(given: NitrogenYearInputs): { yearLb: number; lines: NitrogenLine[] } {
  const lines: NitrogenLine[] = [{ id: 'base', lb: given.baseLb }];
  let year = given.baseLb;
  const add = (id: NitrogenLine['id'], lb: number) => {
    if (lb === 0) return;
    lines.push({ id, lb });
    year += lb;
  };
  add('shade', (-year * (given.shadePercent ?? 0)) / 100);
  add('dry', (-year * (given.dryPercent ?? 0)) / 100);
  const adjusted = year;
  add(
    'organic-matter',
    -Math.min(OM_CREDIT_MOST, OM_CREDIT_PER_PERCENT * Math.max(0, (given.organicMatterPercent ?? 0) - 2)),
  );
  if (given.clippings === 'returned') add('clippings', -Math.min(CLIPPINGS_MOST, CLIPPINGS_SHARE * adjusted));
  add('young', given.youngLb ?? 0);
  add('wear', given.wearLb ?? 0);
  add('carry-over', -(given.carryOverLb ?? 0));
  if (year < 0) add('floor', -year);
  if (year > given.ceilingLb) add('ceiling', given.ceilingLb - year);
  if (given.codeLb !== undefined && year > given.codeLb) add('code', given.codeLb - year);
  return { yearLb: Math.max(0, year), lines };
}

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
    ceilingLb: poundsN('ceiling of the grass', { min: 0, max: 10 }),
    codeLb: poundsN('most a year by local code', { optional: true, min: 0, max: 10 }),
  },
  unit: 'lb N / 1000 ft2',
  formula: [
    'adjusted = base × (1 − shade) × (1 − dry)',
    'year = adjusted − OM credit − clippings credit + young + wear − carry-over',
    'then within 0 and the ceiling, then within the code',
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
      ceilingLb,
      codeLb,
    } = given;
    const adjusted = work.step(
      'base after shade and drought',
      'baseLb × (1 − shadePercent ÷ 100) × (1 − dryPercent ÷ 100)',
      { baseLb, shadePercent, dryPercent },
      baseLb * (1 - shadePercent / 100) * (1 - dryPercent / 100),
      'lb N',
    );
    const omCredit = work.step(
      'organic matter gives',
      'min(1, 0.25 × max(0, organicMatterPercent − 2))',
      { organicMatterPercent },
      Math.min(OM_CREDIT_MOST, OM_CREDIT_PER_PERCENT * Math.max(0, organicMatterPercent - 2)),
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
      'adjusted − omCredit − clippingsCredit + youngLb + wearLb − carryOverLb',
      { adjusted, omCredit, clippingsCredit, youngLb, wearLb, carryOverLb },
      adjusted - omCredit - clippingsCredit + youngLb + wearLb - carryOverLb,
      'lb N',
    );
    const yearLb = Math.min(codeLb ?? Infinity, ceilingLb, Math.max(0, asked));
    if (asked < 0) work.caution('The credits alone exceed the need: no nitrogen this year.');
    if (asked > ceilingLb) work.caution(`Held to the grass’s ceiling, ${ceilingLb} lb N per 1000 ft2 a year.`);
    if (codeLb !== undefined && Math.min(asked, ceilingLb) > codeLb)
      work.caution(`Held to the local code, ${codeLb} lb N per 1000 ft2 a year.`);
    return codeLb === undefined
      ? work.step('year', 'min(ceilingLb, max(0, asked))', { asked, ceilingLb }, yearLb, 'lb N')
      : work.step('year', 'min(codeLb, min(ceilingLb, max(0, asked)))', { asked, ceilingLb, codeLb }, yearLb, 'lb N');
  },
});
