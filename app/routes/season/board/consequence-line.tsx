import type { Consequence } from '@core/season/checks/judge-plan';
import { showMoney } from '@core/words/numbers';
import { Said } from '../../../ui/substance';

/** What a step broke, mended and cost, in one line that is read out. */
export function ConsequenceLine({ says, of }: { says: string; of: Consequence }) {
  const { broken, mended, cost, trips } = of;
  const named = (list: Consequence['broken']) =>
    list.map((c) => `${c.zoneName ? `${c.zoneName}: ` : ''}${c.title}${c.found ? ` (${c.found})` : ''}`).join('; ');
  return (
    <p
      className={broken.some((c) => c.standing === 'fail') ? 'consequence is-broken' : 'consequence'}
      role="status"
      aria-live="polite"
    >
      <b>
        <Said text={says} />.
      </b>{' '}
      {broken.length > 0 && (
        <span className="broke">
          Breaks <Said text={named(broken)} />.{' '}
        </span>
      )}
      {mended.length > 0 && (
        <span>
          Mends <Said text={named(mended)} />.{' '}
        </span>
      )}
      {broken.length === 0 && mended.length === 0 && 'Every check stands as before. '}
      {Math.abs(cost) >= 0.005 && `${cost > 0 ? 'Costs' : 'Saves'} ${showMoney(Math.abs(cost))}. `}
      {trips !== 0 && `${Math.abs(trips)} ${Math.abs(trips) === 1 ? 'trip' : 'trips'} ${trips > 0 ? 'more' : 'fewer'}.`}
    </p>
  );
}
