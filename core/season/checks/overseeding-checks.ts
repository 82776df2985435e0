import { addDays, dayAt, type IsoDay } from '../../days/day';
import { stretches } from '../../climate/closed-window';
import { sayDay } from '../../words/days';
import { two } from '../../words/numbers';
import { FIRST_WINTER_FEEDING_DAYS, UNFED_BEFORE_TRANSITION_DAYS, winterDoseLb } from '../rules/overseeding';
import { check, dayIn, EPS, type Facts } from './check';

/** A winter grass over warm-season turf: fed three to six weeks after it is sown, lightly, and not before transition (C9). */

/** Doses weighed on a scale may be so much over, lb N/1000 ft2. */
const OVER_LB = 0.02;

const programme = check({
  id: 'overseeding',
  kind: 'school',
  title: 'Programme of the winter grass',
  rule: 'A winter grass is fed first three to six weeks after it is sown, then lightly, and not in the four weeks before transition (C9).',
  measure: ({ zoneSeason: { prescription, season, zone, from }, doses, plan }: Facts) => {
    const { overseeding } = prescription;
    if (!overseeding || !season?.winter) return undefined;
    const { days, feeding } = season.winter;
    const fed = doses.filter((d) => (d.delivers.N ?? 0) > EPS && days[dayIn(d.date)]);
    const shut = fed.filter((d) => !feeding[dayIn(d.date)]);
    const most = winterDoseLb(zone);
    const strong = fed.filter((d) => (d.delivers.N ?? 0) > most + OVER_LB);
    const sown = stretches(days).find((span) => span.from > 0);
    const [earliest, latest] = [FIRST_WINTER_FEEDING_DAYS.least, FIRST_WINTER_FEEDING_DAYS.most].map((after): IsoDay =>
      addDays(dayAt(plan.year, sown?.from ?? 0), after),
    ) as [IsoDay, IsoDay];
    // asked only where the programme itself has a feeding then: a cold fall or a code may leave none
    const asked = sown && overseeding.feedings.some(({ on }) => on >= earliest && on <= latest && on >= from);
    const first = fed.some((d) => d.date >= earliest && d.date <= latest);
    const fault = shut.length > 0 ? 'shut' : strong.length > 0 ? 'strong' : asked && !first ? 'first' : undefined;
    return {
      found: `${fed.length} light ${fed.length === 1 ? 'feeding' : 'feedings'}`,
      fault,
      most,
      latest,
      doses: fault === 'strong' ? strong : shut,
    };
  },
  standing: ({ fault }) => (fault === undefined ? 'pass' : fault === 'first' ? 'warn' : 'fail'),
  says: ({ fault, doses, most, latest }) => {
    const day = sayDay(doses[0]?.date ?? latest);
    switch (fault) {
      case 'shut':
        return `The nitrogen of ${day} falls where the winter grass is too young for it, rests, or stands in its last ${UNFED_BEFORE_TRANSITION_DAYS / 7} weeks before transition.`;
      case 'strong':
        return `The dose of ${day} is more than the ${two(most)} lb N per 1000 that a winter grass is fed at once: the warm-season grass pays for it in spring.`;
      default:
        return `The winter grass is not fed three to six weeks after it is sown, by ${day}.`;
    }
  },
});

export const OVERSEEDING_CHECKS = [programme];
