import { zoneAmount } from '@core/products/zone-amount';
import type { ZoneGround } from '@core/ground/zone-ground';
import { sureFigure, traced } from '@core/reckoning/figure';
import type { Dose } from '@core/season/plan/dose';
import { Fig } from '../../../ui/fig';
import { sayDay } from '@core/words/days';
import { useUnits } from '../../../ui/format';

/** Outline less strip less each kind of cut-out is the ground to feed; its error in square feet and in pounds. */
export function ReckoningLine({
  ground,
  next,
  productName,
}: {
  ground: ZoneGround | undefined;
  next: Dose | undefined;
  productName: string | undefined;
}) {
  const units = useUnits();
  const area = (sqFt: number) => units.show('area', sqFt);
  if (!ground) return <p className="note reckoning">the shape is not closed yet</p>;
  const { outline, toFeed, keptClear, cutOuts, error } = ground;
  if (!outline || !toFeed)
    return (
      <p className="reckoning">
        {units.say('area', ground.areaSqFt)}, as typed.{' '}
        <span className="note">Draw it, and its parts can be seen.</span>
      </p>
    );
  const parts = [
    ...(keptClear.sqFt > 0 ? [{ name: 'kept clear', sqFt: keptClear.sqFt }] : []),
    ...cutOuts.map((c) => ({ name: c.name, sqFt: c.sqFt })),
  ];
  const whole = (sqFt: number) => Math.round(units.inShown('area', sqFt));
  const shownSum = whole(outline.value) - parts.reduce((sum, p) => sum + whole(p.sqFt), 0);
  const spare =
    error && next
      ? sureFigure(
          zoneAmount,
          {
            ratePer1000Lb: traced(next.rate.value, `rate of the next dose, ${sayDay(next.date)}`, next.rate),
            areaSqFt: traced(error.value, 'likely error of the area', error),
          },
          {
            title: 'Likely error at the next weigh-out',
            unit: 'lb product',
            usedIn: 'Only to know how sure the weigh-out is.',
          },
        )
      : undefined;
  return (
    <div className="reckoning">
      <dl>
        <div>
          <dt>outline</dt>
          <dd>
            <Fig figure={outline} show={area} />
          </dd>
        </div>
        {parts.map((part, i) => (
          <div key={`${part.name}${i}`}>
            <dt>{part.name}</dt>
            <dd>− {area(part.sqFt)}</dd>
          </div>
        ))}
        <div className="result">
          <dt>to feed</dt>
          <dd>
            = <Fig figure={toFeed} show={area} /> {units.unit('area')}
            {shownSum !== whole(toFeed.value) && <span className="small"> rounded</span>}
          </dd>
        </div>
        {error && (
          <div>
            <dt>likely error</dt>
            <dd>
              ± <Fig figure={error} show={area} /> {units.unit('area')}
            </dd>
          </div>
        )}
        {spare && next && (
          <div>
            <dt>
              at the next weigh-out, {sayDay(next.date)}, {productName?.toLowerCase()}
            </dt>
            <dd>
              {units.weight(next.zoneLb)} ± <Fig figure={spare} show={units.weight} /> {units.unit('weight', 'product')}
            </dd>
          </div>
        )}
      </dl>
    </div>
  );
}
