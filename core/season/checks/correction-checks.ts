import { daysBetween } from '../../days/day';
import { losesAmmonia } from '../../nitrogen/forms';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import type { Dose } from '../plan/dose';
import { type Correcting, CORRECTING } from '../rules/correction-stretches';
import { correctionAsked, zoneStretches } from '../plan/zone-stretches';
import { LIME_NITROGEN_GAP_DAYS, yearToleranceLb } from '../rules/limits';
import { check, dosesIn, type Facts, ifAny, noneOf } from './check';

/** Lime and sulfur: only where asked for, dose by dose in their stretches of the year, and lime apart from ammonia. */

/** A hundredth of a pound: what rounding a rate may add to a dose. */
const ROUNDING_LB = 0.01;

const limeNitrogen = check({
  id: 'lime-nitrogen',
  kind: 'correction',
  title: 'Lime from urea and ammonium',
  rule: 'Lime stands apart from urea and ammonium, whose ammonia it would drive into the air.',
  measure: ({ doses, productOf }: Facts) => {
    const limes = doses.filter((d) => d.for === 'lime');
    if (limes.length === 0) return undefined;
    const ammonia = doses.filter((d) => {
      const product = productOf(d);
      return product !== undefined && losesAmmonia(product);
    });
    const [nearest] = limes
      .flatMap((l) => ammonia.map((n) => ({ days: Math.abs(daysBetween(l.date, n.date)), doses: [l, n] })))
      .sort((a, b) => a.days - b.days);
    return {
      found: nearest ? `${nearest.days} d, needs ${LIME_NITROGEN_GAP_DAYS}` : 'none near',
      days: nearest?.days ?? Infinity,
      doses: nearest?.doses ?? [],
    };
  },
  standing: ({ days }) => (days >= LIME_NITROGEN_GAP_DAYS ? 'pass' : 'fail'),
  says: ({ days }) =>
    `Lime and urea or ammonium stand ${days} days apart and need ${LIME_NITROGEN_GAP_DAYS}: ammonia would be lost to the air.`,
});

const unaskedCorrections = check({
  id: 'ph-unasked',
  kind: 'correction',
  title: 'Lime, sulfur or gypsum',
  rule: 'Lime, sulfur and gypsum come only where the soil asks for them.',
  measure: (facts: Facts) => {
    const { prescription } = facts.zoneSeason;
    // what went down was asked for when it did: the ledger counts it
    const doses = facts.ahead.filter(
      (d) => isCorrecting(d.for) && correctionAsked(d.for, prescription).doses.length === 0,
    );
    const why = doses[0]?.for === 'gypsum' ? prescription.gypsum.says : prescription.ph.says;
    return ifAny({ found: dosesIn(doses), doses, why });
  },
  standing: noneOf('fail'),
  says: ({ doses, why }) => `No ${doses[0]?.for} is prescribed here: ${why}`,
});

const isCorrecting = (purpose: string): purpose is Correcting => (CORRECTING as readonly string[]).includes(purpose);

const settledPh = check({
  id: 'ph-settled',
  kind: 'correction',
  title: 'pH not settled',
  rule: 'A very acid soil whose lime cannot be reckoned gets a first dose and a new report; until that is there this fails (B1).',
  measure: ({ zoneSeason: { prescription } }: Facts) =>
    prescription.ph.unsettled === undefined ? undefined : { found: 'a new report', why: prescription.ph.unsettled },
  standing: () => 'fail',
  says: ({ why }) => why,
});

const oneDirection = check({
  id: 'lime-and-sulfur',
  kind: 'correction',
  title: 'Lime and sulfur',
  rule: 'Lime and sulfur never go down on one zone in one year (B1).',
  measure: ({ doses }: Facts) => {
    const [limes, sulfurs] = [doses.filter((d) => d.for === 'lime'), doses.filter((d) => d.for === 'sulfur')];
    return limes.length > 0 && sulfurs.length > 0
      ? { found: 'both in one year', doses: [...limes, ...sulfurs] }
      : undefined;
  },
  standing: () => 'fail',
  says: () => 'Lime and sulfur undo each other: only one of them in a year.',
});

const correctionDoses = (id: string, of: string, purposeHere: (facts: Facts) => Correcting) =>
  check({
    id,
    kind: 'correction',
    title: ({ purpose }) => ({ lime: 'Lime doses', sulfur: 'Sulfur doses', gypsum: 'Gypsum doses' })[purpose],
    rule: `The ${of} prescribed for this year is dated, one dose in each stretch of the year, none larger than one dose may be.`,
    measure: (facts: Facts) => {
      const { zoneSeason, ahead, doses, plan } = facts;
      const purpose = purposeHere(facts);
      const { doses: asked } = correctionAsked(purpose, zoneSeason.prescription);
      if (asked.length === 0) return undefined;
      const down = ahead.filter((d) => d.for === purpose);
      const spans = zoneStretches(purpose, zoneSeason, { year: plan.year, from: zoneSeason.from });
      const inSpan = (date: string) => spans.findIndex(({ from, to }) => date >= from && date <= to);
      const wanted = Math.min(asked.length, spans.length);
      const most = asked[0] ?? 0;
      const lbOf = (d: Dose) => (purpose === 'sulfur' ? (d.delivers['S-free'] ?? 0) : d.rateLb);
      // a hand that spread a little more than the plan leaves a last dose a little over what is left
      const slackLb = ahead.length < doses.length ? yearToleranceLb(most) : ROUNDING_LB;
      const large = down.filter((d) => lbOf(d) > most + slackLb);
      const crowded =
        spans.map((_, s) => down.filter((d) => inSpan(d.date) === s)).find((list) => list.length > 1) ?? [];
      const astray = down.filter((d) => inSpan(d.date) === -1);
      const fault =
        large.length > 0
          ? 'large'
          : crowded.length > 0
            ? 'crowded'
            : astray.length > 0
              ? 'astray'
              : down.length < wanted
                ? 'undated'
                : undefined;
      return {
        found: `${down.length} of ${wanted} this year`,
        purpose,
        fault,
        most,
        wanted,
        missing: wanted - down.length,
        stretches: spans.map(({ from, to }) => `${sayDay(from)} to ${sayDay(to)}`).join(' and ') || 'this year',
        doses: { large: large.slice(0, 1), crowded, astray, undated: [], none: [] }[fault ?? 'none'],
      } as const;
    },
    standing: ({ fault }) =>
      fault === undefined ? 'pass' : fault === 'large' || fault === 'crowded' ? 'fail' : 'warn',
    says: ({ purpose, fault, most, stretches, missing, wanted, doses }) => {
      switch (fault) {
        case 'large':
          return `A ${purpose} dose is over the ${two(most)} lb ${purpose === 'sulfur' ? 'S' : purpose} per 1000 that one dose may bring.`;
        case 'crowded':
          return `Two doses of ${purpose} stand in one stretch of the year: it takes one at a time.`;
        case 'astray':
          return `The ${purpose} of ${sayDay(doses[0]?.date ?? '')} stands outside ${stretches}.`;
        default:
          return `${missing} of ${wanted} ${purpose} doses of this year are not dated.`;
      }
    },
  });

export const CORRECTION_CHECKS = [
  limeNitrogen,
  unaskedCorrections,
  settledPh,
  oneDirection,
  correctionDoses('ph-doses', 'lime or sulfur', ({ zoneSeason }) =>
    zoneSeason.prescription.ph.action === 'sulfur' ? 'sulfur' : 'lime',
  ),
  correctionDoses('gypsum-doses', 'gypsum', () => 'gypsum'),
];
