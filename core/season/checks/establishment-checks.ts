import { addDays, daysBetween } from '../../days/day';
import { sayDate } from '../../words/days';
import { two } from '../../words/numbers';
import { OWN_PROGRAMME_AFTER_DAYS, SECOND_AFTER_DAYS, SECOND_LB } from '../rules/establishment';
import { check, EPS, type Facts, sum } from './check';

/** A stand that is sown in the year: its starter on the day, little after it, nothing before (C8). */

/** From this share of its phosphate on a starter counts as given. */
const NEARLY = 0.9;

const programme = check({
  id: 'establishment',
  kind: 'school',
  title: 'Programme of the new stand',
  rule: 'A seeding has no nitrogen before its day, its starter on it, half a pound after four to six weeks and no more in the first six (C8).',
  measure: ({ zoneSeason: { prescription, from }, doses }: Facts) => {
    const { establishment } = prescription;
    if (!establishment || establishment.on < from) return undefined;
    const { on, starterP2O5Lb } = establishment;
    const fed = doses.filter((d) => (d.delivers.N ?? 0) > EPS);
    const early = fed.filter((d) => d.date < on);
    const sixWeeks = addDays(on, SECOND_AFTER_DAYS.most);
    const strong = fed.filter(
      (d) => d.date > on && d.date <= sixWeeks && (d.delivers['N-soluble'] ?? 0) > SECOND_LB + 0.02,
    );
    const second = fed.some((d) => {
      const days = daysBetween(on, d.date);
      return days >= SECOND_AFTER_DAYS.least && days <= OWN_PROGRAMME_AFTER_DAYS;
    });
    const starter = sum(
      doses.filter((d) => d.date === on),
      'P2O5',
    );
    const fault =
      early.length > 0
        ? 'early'
        : strong.length > 0
          ? 'strong'
          : starter < starterP2O5Lb * NEARLY
            ? 'starter'
            : second
              ? undefined
              : 'second';
    return { found: sayDate(on), fault, on, starter, starterP2O5Lb, doses: fault === 'early' ? early : strong };
  },
  standing: ({ fault }) => (fault === undefined ? 'pass' : fault === 'early' || fault === 'strong' ? 'fail' : 'warn'),
  says: ({ fault, on, starter, starterP2O5Lb, doses }) => {
    const first = sayDate(doses[0]?.date ?? on);
    switch (fault) {
      case 'early':
        return `Nitrogen of ${first} stands before the day of ${sayDate(on)}: it feeds weeds, or what is killed.`;
      case 'strong':
        return `The dose of ${first} is too strong for seedlings: ${two(SECOND_LB)} lb soluble N at most in the first six weeks.`;
      case 'starter':
        return `The starter of ${sayDate(on)} brings ${two(starter)} of ${two(starterP2O5Lb)} lb P2O5 per 1000.`;
      default:
        return 'The second dose, four to six weeks after the day, is not there.';
    }
  },
});

export const ESTABLISHMENT_CHECKS = [programme];
