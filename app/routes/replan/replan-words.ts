import type { Fact } from '@core/replan/standing';
import type { Offer } from '@core/replan/offers';
import type { Units } from '../../ui/format';

const STANDS: Readonly<Record<Fact['standing'], string>> = {
  missed: 'under half of the dose',
  short: 'short',
  within: 'as planned',
  'a-little-over': 'a little over',
  over: 'over',
  burn: 'far over',
  extra: 'no dose of the plan',
  'not-done': 'not done',
};

/** Whether a fact is worth more than a tick. */
export const isOff = ({ standing }: Fact): boolean => standing !== 'within' && standing !== 'extra';

/** How what happened stands to the plan: 'short, 0.60 of the dose, 3 days after its Monday'. */
export function sayFact({ standing, ofPlan, daysOff, because }: Fact, units: Units): string {
  if (standing === 'not-done') return because ?? STANDS[standing];
  const off =
    daysOff === undefined || daysOff === 0
      ? ''
      : `, ${Math.abs(daysOff)} ${Math.abs(daysOff) === 1 ? 'day' : 'days'} ${daysOff > 0 ? 'after' : 'before'} its Monday`;
  const share = ofPlan === undefined || standing === 'within' ? '' : `, ${units.number(ofPlan, 2)} of the dose`;
  return `${STANDS[standing]}${share}${off}`;
}

const count = (many: number, one: string, more: string): string => `${many} ${many === 1 ? one : more}`;

/** Checks that fail and warn, in words. */
export function sayChecks({ judged }: Pick<Offer, 'judged'>): string {
  const of = (standing: string) => judged.checks.filter((check) => check.standing === standing).length;
  return `${of('fail')} fail, ${of('warn')} warn`;
}

/** What an offer comes to, before it is chosen. */
export function sayOffer(offer: Offer): string {
  const dropped = offer.lines.filter(({ word, because }) => word === 'dropped' && because !== undefined).length;
  const changed = offer.lines.filter(({ word }) => word !== 'kept').length - dropped;
  return `${count(changed, 'line changes', 'lines change')}${dropped > 0 ? `, ${dropped} dropped` : ''}; ${sayChecks(offer)}`;
}
