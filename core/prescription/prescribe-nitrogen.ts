import { codeYearCap } from '../season/rules/local-codes';
import type { LocalCode, OwnFigure, Zone } from '../records/case';
import { two } from '../words/numbers';
import { winterAsked } from '../season/rules/overseeding';
import { inPlaceOf, ownOf } from './override-figure';
import type { Care } from '../records/vocabularies';
import { BUILT_IN_PACKS, grassIn, type RulePacks } from '../packs/rule-packs';
import { groupOfTexture } from '../ground/texture-groups';
import { type Figure, sureFigure, traced } from '../reckoning/figure';
import type { NitrogenPrescription, NitrogenStep } from './prescription';
import type { ZoneFacts } from './zone-facts';
import { type NitrogenLine, type NitrogenYearInputs, nitrogenWalk, nitrogenYear } from '../nitrogen/year';

/** Less nitrogen in shade, percent. Practice says 30-50; light cannot be replaced by feed. */
const SHADE_PERCENT = { 'full-sun': 0, 'part-shade': 30, shade: 40, 'deep-shade': 50 } as const;
/** Less nitrogen without irrigation, percent. Common practice. */
const DRY_PERCENT = 25;
/** A stand younger than this gets more. Common practice. */
const YOUNG_UNTIL_YEARS = 2;
const YOUNG_LB = 0.5;
const WEAR_LB = 0.5;

export type SwitchableLine = 'shade' | 'dry' | 'organic-matter' | 'clippings' | 'young' | 'wear';
export const SWITCHABLE_LINES: readonly SwitchableLine[] = [
  'shade',
  'dry',
  'organic-matter',
  'clippings',
  'young',
  'wear',
];

/** Order in which the lines are walked and shown. */
const WALK_ORDER: readonly NitrogenStep['id'][] = [
  'base',
  'shade',
  'dry',
  'organic-matter',
  'credits',
  'clippings',
  'young',
  'wear',
  'carry-over',
  'water',
  'least',
  'floor',
  'ceiling',
  'code',
  'part',
  'winter',
];

const LINE_WORDS: Record<string, string> = {
  shade: 'Shade',
  dry: 'Not irrigated',
  'organic-matter': 'Organic matter',
  clippings: 'Clippings returned',
  young: `Stand under ${YOUNG_UNTIL_YEARS} years`,
  wear: 'Heavy wear',
  'carry-over': 'Carry-over from slow release',
  water: 'Nitrate of the irrigation water',
  credits: 'Organic matter and shade take half of the base at most',
  least: 'Fed turf keeps half a pound',
  part: 'Part of the year left',
  floor: 'Held at zero',
  ceiling: 'Held to the ceiling of the grass',
  code: 'Held to the local code',
};

/** Whether a stand is young: by its age, or by the day it was sown in the year before or the one before that (C8). */
const isYoung = ({ ageYears, seededOn, state }: Zone, year: number | undefined): boolean =>
  seededOn !== undefined && state !== undefined && state !== 'established' && year !== undefined
    ? year - Number(seededOn.slice(0, 4)) <= YOUNG_UNTIL_YEARS
    : ageYears !== undefined && ageYears < YOUNG_UNTIL_YEARS;

/** What one line would be if it were counted. */
function wanted(
  id: SwitchableLine,
  zone: Zone,
  organicMatterPercent: number | undefined,
  year: number | undefined,
): Partial<NitrogenYearInputs> {
  switch (id) {
    case 'shade':
      return { shadePercent: SHADE_PERCENT[zone.light ?? 'full-sun'] };
    case 'dry':
      return { dryPercent: zone.irrigated === false ? DRY_PERCENT : 0 };
    case 'organic-matter':
      return { organicMatterPercent: Math.max(0, organicMatterPercent ?? 0) };
    case 'clippings':
      // not said: taken as returned, the leaner answer, with a doubt (C6)
      return { clippings: zone.clippings === 'bagged' ? 'bagged' : 'returned' };
    case 'young':
      return { youngLb: isYoung(zone, year) ? YOUNG_LB : 0 };
    case 'wear':
      return { wearLb: zone.wear === 'heavy' ? WEAR_LB : 0 };
  }
}

function stepWords(
  id: string,
  grassName: string,
  zone: Zone,
  given: NitrogenYearInputs,
  organicMatterPercent: number | undefined,
): string {
  switch (id) {
    case 'base':
      return `Base of ${grassName}, ${zone.care ?? 'standard'} care`;
    case 'shade':
      return `${LINE_WORDS.shade}, ${SHADE_PERCENT[zone.light ?? 'full-sun']} %`;
    case 'dry':
      return `${LINE_WORDS.dry}, ${DRY_PERCENT} %`;
    case 'organic-matter':
      return `${LINE_WORDS['organic-matter']}, ${organicMatterPercent ?? 0} %`;
    case 'part':
      return `${LINE_WORDS.part}, ${Math.round((given.aheadShare ?? 1) * 100)} %`;
    case 'ceiling':
      return `Held to the grass’s ceiling, ${given.ceilingLb} lb N`;
    case 'winter':
      return `The winter grass, ${two(given.winterLb ?? 0)} lb N asked`;
    case 'code':
      return `Held to the local code, ${given.codeLb} lb N`;
    default:
      return LINE_WORDS[id] ?? id;
  }
}

/** The year's figure, and the walk to it: its lines are put into words only when somebody looks. */
class WalkedNitrogen implements NitrogenPrescription {
  constructor(
    readonly year: Figure,
    readonly note: string | undefined,
    private readonly zone: Zone,
    private readonly grassName: string,
    private readonly given: NitrogenYearInputs,
    private readonly off: ReadonlySet<string>,
    private readonly organicMatterPercent: number | undefined,
    readonly own: OwnFigure | undefined,
    readonly byRule: Figure | undefined,
    private readonly forYear: number | undefined,
  ) {}

  /** The lines in order; those switched off stand among them, uncounted. */
  get steps(): NitrogenStep[] {
    const { zone, grassName, given, off, organicMatterPercent } = this;
    const inWords = (line: NitrogenLine): NitrogenStep => ({
      ...line,
      says: stepWords(line.id, grassName, zone, given, organicMatterPercent),
    });
    const steps = nitrogenWalk(given).lines.map(inWords);
    for (const id of SWITCHABLE_LINES) {
      const whole = { ...given, ...wanted(id, zone, organicMatterPercent, this.forYear) };
      const ghost = off.has(id) && nitrogenWalk(whole).lines.find((line) => line.id === id);
      if (ghost) steps.push({ ...inWords(ghost), off: true });
    }
    return steps.sort((a, b) => WALK_ORDER.indexOf(a.id) - WALK_ORDER.indexOf(b.id));
  }
}

/** What the other answer on clippings would change, where nobody said what becomes of them (C6); undefined where somebody did. */
export function clippingsDoubt(zone: Zone, nitrogen: NitrogenPrescription): string | undefined {
  const line = nitrogen.steps.find((step) => step.id === 'clippings' && !step.off);
  return zone.clippings !== undefined || !line
    ? undefined
    : `What becomes of the clippings is not said: they are taken as returned. Bagged, the year would ask ${two(-line.lb)} lb N more.`;
}

/** Nitrogen of a zone for the year: the walk's lines, those switched off as well, and the figure. */
export function prescribeNitrogen(
  zone: Zone,
  organicMatterPercent: number | undefined,
  codes: readonly LocalCode[],
  packs: RulePacks = BUILT_IN_PACKS,
  {
    carryOver,
    waterNitrogen,
    ahead,
    overseeding,
    year: forYear,
  }: Pick<ZoneFacts, 'carryOver' | 'waterNitrogen' | 'ahead' | 'overseeding' | 'year'> = {},
): NitrogenPrescription {
  const grass = grassIn(packs, zone.grass);
  const care: Care = zone.care ?? 'standard';
  const off = new Set(zone.nitrogenOff ?? []);
  const given: NitrogenYearInputs = {
    baseLb: grass.nitrogenLb[care],
    ceilingLb: grass.ceilingLb,
    codeLb: codeYearCap(codes),
    carryOverLb: carryOver?.lb,
    waterLb: waterNitrogen?.value,
    ...(overseeding ? { winterLb: winterAsked(overseeding) } : {}),
    ...(ahead && ahead.share < 1 ? { givenLb: ahead.givenLb, aheadShare: ahead.share, keptAheadLb: ahead.keptLb } : {}),
  };
  for (const id of SWITCHABLE_LINES)
    if (!off.has(id)) Object.assign(given, wanted(id, zone, organicMatterPercent, forYear));
  const table = `${grass.name}, ${grass.source.name}`;
  const year: Figure = sureFigure(
    nitrogenYear,
    {
      baseLb: traced(given.baseLb, `${table}, ${care} care`),
      shadePercent: given.shadePercent
        ? traced(given.shadePercent, `light: ${zone.light?.replaceAll('-', ' ')}; common practice`)
        : undefined,
      dryPercent: given.dryPercent ? traced(given.dryPercent, 'zone is not irrigated; common practice') : undefined,
      organicMatterPercent: given.organicMatterPercent ? traced(given.organicMatterPercent, 'soil report') : undefined,
      clippings: given.clippings
        ? traced(given.clippings, zone.clippings === undefined ? 'not said, taken as returned' : 'care of the zone')
        : undefined,
      youngLb: given.youngLb ? traced(given.youngLb, `stand of ${zone.ageYears} years; common practice`) : undefined,
      wearLb: given.wearLb ? traced(given.wearLb, 'heavy wear; common practice') : undefined,
      carryOverLb:
        carryOver && traced(carryOver.lb, `let go this year by ${carryOver.says}; release by soil temperature`),
      waterLb: waterNitrogen && traced(waterNitrogen.value, 'analysis of the irrigation water', waterNitrogen),
      givenLb: given.givenLb === undefined ? undefined : traced(given.givenLb, 'the log of this year'),
      aheadShare: given.aheadShare === undefined ? undefined : traced(given.aheadShare, ahead?.says ?? ''),
      keptAheadLb:
        given.keptAheadLb === undefined ? undefined : traced(given.keptAheadLb, 'doses of the kept plan still to come'),
      winterLb:
        overseeding &&
        traced(
          winterAsked(overseeding),
          `${overseeding.grass.name}: ${overseeding.feedings.length} light ${overseeding.feedings.length === 1 ? 'feeding' : 'feedings'} ahead, with what it was given; common practice`,
        ),
      ceilingLb: traced(grass.ceilingLb, table),
      codeLb: given.codeLb === undefined ? undefined : traced(given.codeLb, 'local code'),
    },
    {
      title: 'Nitrogen for the year',
      unit: 'lb N per 1000 ft2',
      alternatives: () =>
        (['low', 'standard', 'high'] as const)
          .filter((c) => c !== care)
          .map((c) => ({ says: `${c} care`, change: { baseLb: grass.nitrogenLb[c] } })),
      usedIn: 'Season: the nitrogen doses add up to it. Prescribe: growth takes P and K in proportion to it.',
    },
  );
  const note =
    groupOfTexture(zone.texture) === 'sand' ? 'Sand: the same total in smaller doses, more often.' : undefined;
  const own = ownOf(zone, 'nitrogen');
  if (!own)
    return new WalkedNitrogen(
      year,
      note,
      zone,
      grass.name,
      given,
      off,
      organicMatterPercent,
      undefined,
      undefined,
      forYear,
    );
  const placed = inPlaceOf(year, own, {
    title: 'Nitrogen for the year, override',
    unit: 'lb N per 1000 ft2',
    usedIn: 'Season: the nitrogen doses add up to it. Prescribe: growth takes P and K in proportion to it.',
    most: given.codeLb,
  });
  return new WalkedNitrogen(placed, note, zone, grass.name, given, off, organicMatterPercent, own, year, forYear);
}
