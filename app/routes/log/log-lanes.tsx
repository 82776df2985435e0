import { useMemo } from 'react';
import { Link } from 'react-router';
import { dayOfYear, daysInYear, monthStarts } from '@core/days/day';
import { type Fact, standingOf } from '@core/replan/standing';
import { broughtByAPound } from '@core/ledger/ledger';
import type { PlannedDose } from '@core/records/case';
import { sayDay } from '@core/words/days';
import { useUnits } from '../../ui/format';
import { Mark } from '../../ui/marks';
import { placeHash } from '../../ui/place';
import { useWidth } from '../../ui/use-width';
import { MONTHS, stepLine, yearScale } from '../../ui/year-plot';
import type { PropertyWork } from '../../work/property-work';

const LANE = 44;
const DRIFT = 78;
const MARK = 14;
/** A dose given so many days off its Monday is worth a word. */
const TOLD_DAYS = 7;

/** The year in lanes: what was planned above the line, what was given below it, and how nitrogen ran on the zone in focus. */
export function LogLanes({ work }: { work: PropertyWork }) {
  const units = useUnits();
  const { file, draft, plan, today, year, zone: focus } = work;
  const [measured, width] = useWidth<HTMLDivElement>(760);
  const kept = plan?.keptOn === undefined ? undefined : plan;
  const standing = useMemo(
    () =>
      standingOf(file, draft, kept ?? { id: 'none', year, products: undefined, solved: undefined, doses: [] }, today),
    [file, draft, kept, year, today],
  );
  const days = daysInYear(year);
  const x = yearScale(days, width);
  const starts = monthStarts(year);
  const isNow = today.startsWith(`${year}-`);
  const products = new Map((file.products ?? []).map((product) => [product.id, product]));
  const nitrogen = ({ productId, rateLb }: Pick<PlannedDose, 'productId' | 'rateLb'>) =>
    broughtByAPound(products.get(productId)).N * rateLb;
  const given = standing.facts.filter((fact) => fact.standing !== 'not-done');
  const inFocus = <T extends { zoneId: string }>(all: readonly T[]) => all.filter(({ zoneId }) => zoneId === focus?.id);
  const planned = inFocus(kept?.doses ?? []).map((dose) => ({ day: dayOfYear(dose.date), value: nitrogen(dose) }));
  const down = inFocus(given).map((fact) => ({ day: dayOfYear(fact.date), value: nitrogen(fact) }));
  const sum = (points: readonly { value: number }[]) => points.reduce((all, { value }) => all + value, 0);
  const most = Math.max(0.5, sum(planned), sum(down));
  const y = (lb: number) => DRIFT - 14 - (lb / most) * (DRIFT - 28);
  if (given.length === 0 && !kept) return null;
  const grid = starts.map((day) => <line key={day} x1={x(day)} x2={x(day)} y1={0} y2={DRIFT} stroke="var(--rule-2)" />);
  const todayLine = isNow && (
    <line x1={x(dayOfYear(today))} x2={x(dayOfYear(today))} y1={0} y2={DRIFT} stroke="var(--moss)" strokeWidth={2} />
  );
  const plannedDay = (fact: Fact) => (fact.daysOff === undefined ? undefined : dayOfYear(fact.date) - fact.daysOff);
  return (
    <section className="loglanes" aria-label={`${year}: planned above, given below`}>
      <div className="laneheads">
        <span className="small">planned above the line, given below it</span>
        <svg width={width} height={16} aria-hidden="true">
          {starts.map((day, month) => (
            <text key={day} x={x(day) + 4} y={12} style={{ fontSize: 12 }} fill="var(--loam)">
              {MONTHS[month]}
            </text>
          ))}
        </svg>
      </div>
      {file.zones.map((zone, at) => {
        const own = standing.facts.filter(({ zoneId }) => zoneId === zone.id);
        const rest = standing.rest.filter(({ zoneId }) => zoneId === zone.id);
        const lb = sum(own.filter((fact) => fact.standing !== 'not-done').map((fact) => ({ value: nitrogen(fact) })));
        const asked = sum(
          (kept?.doses ?? []).filter(({ zoneId }) => zoneId === zone.id).map((dose) => ({ value: nitrogen(dose) })),
        );
        const late = own.filter(({ daysOff = 0, standing: is }) => is !== 'not-done' && Math.abs(daysOff) > TOLD_DAYS);
        return (
          <div key={zone.id} className={zone.id === focus?.id ? 'loglane focus' : 'loglane'}>
            <div className="nm">
              {zone.id === focus?.id ? (
                <b>{zone.name}</b>
              ) : (
                <Link to={{ hash: placeHash({ zone: zone.id }) }}>{zone.name}</Link>
              )}
              <span className="small">
                {units.rate(lb)}
                {kept && ` of ${units.rate(asked)}`} {units.short('nutrient-rate', 'N')}
              </span>
            </div>
            <div ref={at === 0 ? measured : undefined}>
              <svg
                width={width}
                height={LANE}
                role="img"
                aria-label={[
                  ...own.map(
                    (fact) =>
                      `${sayDay(fact.date)} ${products.get(fact.productId)?.name ?? fact.productId} ${fact.standing === 'not-done' ? 'not done' : 'given'}`,
                  ),
                  ...rest.map((dose) => `${sayDay(dose.date)} ${products.get(dose.productId)?.name ?? ''} to come`),
                ].join('; ')}
              >
                {grid}
                <line x1={0} x2={width} y1={LANE / 2} y2={LANE / 2} stroke="var(--rule-2)" />
                {todayLine}
                {own.map((fact) => {
                  const day = plannedDay(fact);
                  return day === undefined ? null : (
                    <g key={`g${fact.recordId}${fact.date}`}>
                      <path d={`M${x(day)} 18L${x(dayOfYear(fact.date))} 26`} stroke="var(--edge)" strokeWidth={1} />
                      <Mark purpose={fact.for} x={x(day)} y={11} d={MARK} state="ghost" />
                    </g>
                  );
                })}
                {own.map((fact) => (
                  <Mark
                    key={`${fact.recordId}${fact.date}${fact.productId}`}
                    purpose={fact.for}
                    x={x(dayOfYear(fact.date))}
                    y={fact.standing === 'not-done' ? 11 : 33}
                    d={MARK}
                    state={fact.standing === 'not-done' ? 'missed' : 'given'}
                  />
                ))}
                {rest.map((dose) => (
                  <Mark
                    key={dose.date + dose.productId}
                    purpose={dose.for}
                    x={x(dayOfYear(dose.date))}
                    y={11}
                    d={MARK}
                  />
                ))}
                {late.map((fact) => (
                  <text
                    key={`t${fact.recordId}`}
                    x={Math.min(x(dayOfYear(fact.date)) + 11, width - 80)}
                    y={37}
                    style={{ fontSize: 12 }}
                    fill="var(--loam)"
                  >
                    {Math.abs(fact.daysOff ?? 0)} days {(fact.daysOff ?? 0) > 0 ? 'late' : 'early'}
                  </text>
                ))}
              </svg>
            </div>
          </div>
        );
      })}
      {focus && (
        <div className="loglane drift">
          <div className="nm">
            <b>Drift</b>
            <span className="small">
              N to date, {focus.name}, {units.heading('nutrient-rate', '')}
            </span>
          </div>
          <svg
            width={width}
            height={DRIFT}
            role="img"
            aria-label={`${focus.name}: ${units.say('nutrient-rate', sum(down), 'N')} given${kept ? `, ${units.say('nutrient-rate', sum(planned), 'N')} planned for the year` : ''}`}
          >
            {grid}
            {todayLine}
            {kept && (
              <path
                d={stepLine(planned, x, y, days)}
                fill="none"
                stroke="var(--loam)"
                strokeWidth={1.4}
                strokeDasharray="4 3"
              />
            )}
            <path
              d={stepLine(down, x, y, isNow ? dayOfYear(today) : days)}
              fill="none"
              stroke="var(--loam)"
              strokeWidth={2}
            />
            {kept && (
              <text x={width - 4} y={y(sum(planned)) - 4} textAnchor="end" style={{ fontSize: 12 }} fill="var(--loam)">
                planned {units.rate(sum(planned))}
              </text>
            )}
            {down.length > 0 && (
              <text
                x={Math.min(x(isNow ? dayOfYear(today) : days) - 6, width - 4)}
                y={y(sum(down)) + 14}
                textAnchor="end"
                style={{ fontSize: 12, fontWeight: 600 }}
                fill="var(--loam)"
              >
                given {units.rate(sum(down))}
              </text>
            )}
          </svg>
        </div>
      )}
    </section>
  );
}
