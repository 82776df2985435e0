import { addDays } from '@core/days/day';
import { sayDate, sayDay } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { amountOf } from '../../work/amount-out';
import { Mark } from '../../ui/marks';
import type { Row } from './property-row';

/** What goes down in the next two weeks on the properties shown. */
export function NextTwoWeeks({ rows, today, partial }: { rows: readonly Row[]; today: string; partial: boolean }) {
  const units = useUnits();
  const until = addDays(today, 14);
  const due = rows
    .flatMap(({ file, season }) =>
      season.zones.flatMap((z) =>
        z.doses.filter((d) => d.date >= today && d.date <= until).map((dose) => ({ dose, file, zone: z.zone })),
      ),
    )
    .sort((a, b) => a.dose.date.localeCompare(b.dose.date));
  const later = rows
    .flatMap(({ season }) => season.zones.flatMap((z) => z.doses))
    .filter((d) => d.date > until)
    .sort((a, b) => a.date.localeCompare(b.date))[0];
  return (
    <section aria-labelledby="next-two-weeks">
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id="next-two-weeks">Next two weeks</h2>
        <span className="sp" />
        <span className="small">
          {sayDay(today)} to {sayDay(until)}
          {partial && ', of those shown'}
        </span>
      </div>
      {due.length === 0 && (
        <p className="note">Nothing goes down in these two weeks{later ? `; next is ${sayDate(later.date)}` : ''}.</p>
      )}
      <ul className="next-two-weeks">
        {due.map(({ dose, file, zone }, i) => {
          const product = file.products?.find((p) => p.id === dose.productId);
          return (
            <li key={i}>
              <span className="small">{sayDay(dose.date)}</span>
              <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
                <Mark purpose={dose.for} x={10} y={10} d={14} state={dose.date === today ? 'due' : 'planned'} />
              </svg>
              <span>
                <b>{zone.name}</b>
                <span className="small">{file.property.name}</span>
              </span>
              <span className="num">
                <b>{amountOf(units, product, dose.for === 'lime' ? 'lime' : 'product').say(dose.zoneLb)}</b>
                <span className="small">{product?.name.toLowerCase()}</span>
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
