import { daysBetween, inMonthDaySpan } from '../../days/day';
import { losesAmmonia } from '../../nitrogen/forms';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import { correctionStretches } from '../rules/correction-stretches';
import { LIME_NITROGEN_GAP_DAYS } from '../rules/limits';
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

/** What is prescribed for the pH, where it is lime or sulfur. */
const correctionOf = ({ zoneSeason: { prescription } }: Facts): 'lime' | 'sulfur' | undefined =>
  prescription.ph.action === 'lime' || prescription.ph.action === 'sulfur' ? prescription.ph.action : undefined;

const unasked = check({
  id: 'ph-unasked',
  kind: 'correction',
  title: 'Lime or sulfur',
  rule: 'Lime and sulfur come only where the pH asks for them.',
  measure: (facts: Facts) => {
    if (correctionOf(facts)) return undefined;
    const doses = facts.doses.filter((d) => d.for === 'lime' || d.for === 'sulfur');
    return ifAny({ found: dosesIn(doses), doses, why: facts.zoneSeason.prescription.ph.says });
  },
  standing: noneOf('fail'),
  says: ({ doses, why }) => `No ${doses[0]?.for} is prescribed here: ${why}`,
});

const phDoses = check({
  id: 'ph-doses',
  kind: 'correction',
  title: ({ purpose }) => `${purpose === 'lime' ? 'Lime' : 'Sulfur'} doses`,
  rule: 'The doses of lime or sulfur prescribed for this year are dated, one in each stretch of the year, none larger than one dose may be.',
  measure: (facts: Facts) => {
    const purpose = correctionOf(facts);
    if (!purpose) return undefined;
    const { zoneSeason, plan } = facts;
    const { doses: prescribedLb } = zoneSeason.prescription.ph;
    const down = facts.doses.filter((d) => d.for === purpose);
    const spans = correctionStretches(purpose, zoneSeason.zone);
    const open = spans.filter(([, to]) => `${plan.year}-${to}` >= plan.from).length;
    const inSpan = (monthDay: string) => spans.findIndex(([from, to]) => inMonthDaySpan(monthDay, from, to));
    const wanted = Math.min(prescribedLb.length, open);
    const most = prescribedLb[0] ?? 0;
    const large = down.filter(
      (d) => (purpose === 'lime' ? d.rateLb : (d.delivers['S-free'] ?? 0)) > most + ROUNDING_LB,
    );
    const crowded =
      spans.map((_, s) => down.filter((d) => inSpan(d.date.slice(5)) === s)).find((list) => list.length > 1) ?? [];
    const astray = down.filter((d) => inSpan(d.date.slice(5)) === -1);
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
    const stretches = spans.map(([a, b]) => `${sayDay(`${plan.year}-${a}`)} to ${sayDay(`${plan.year}-${b}`)}`);
    return {
      found: `${down.length} of ${wanted} this year`,
      purpose,
      fault,
      most,
      wanted,
      missing: wanted - down.length,
      stretches: stretches.join(' and '),
      doses: { large: large.slice(0, 1), crowded, astray, undated: [], none: [] }[fault ?? 'none'],
    } as const;
  },
  standing: ({ fault }) => (fault === undefined ? 'pass' : fault === 'large' || fault === 'crowded' ? 'fail' : 'warn'),
  says: ({ fault, purpose, most, stretches, missing, wanted, doses }) => {
    switch (fault) {
      case 'large':
        return `A ${purpose} dose is over the ${two(most)} lb ${purpose === 'lime' ? 'lime' : 'S'} per 1000 that one dose may bring.`;
      case 'crowded':
        return `Two doses of ${purpose} stand in one stretch of the year: it takes one at a time.`;
      case 'astray':
        return `The ${purpose} of ${sayDay(doses[0]?.date ?? '')} stands outside ${stretches}.`;
      default:
        return `${missing} of ${wanted} ${purpose} doses of this year are not dated.`;
    }
  },
});

export const CORRECTION_CHECKS = [limeNitrogen, unasked, phDoses];
