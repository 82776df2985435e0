import { useId } from 'react';
import { partsOfSpan } from '@core/codes/closed-spans';
import type { LocalCode } from '@core/records/case';
import { daysInYear, monthStarts, placeOf } from '@core/days/day';
import { sayDay, sayMonthDay } from '@core/words/days';
import { Mark } from '../../ui/marks';
import { useWidth } from '../../ui/use-width';
import { dayArea, growthHeight, MONTHS, yearScale } from '../../ui/year-plot';
import type { EffectHere } from '../../workers/effects-here';
import { useUnits } from '../../ui/format';

/** Narrower than this the year pans. */
const LEAST_WIDTH = 640;
const HEIGHT = 150;
const SOIL = 62;
const TALL = 40;
const OWN = { top: SOIL + 2, high: 22 } as const;
const SHIPPED = { top: SOIL + 27, high: 13 } as const;
const MARKS_AT = 118;
const SEASON_AT = 138;
/** Codes name days, not years: the strip is drawn for a year of 365 days. */
const YEAR = 2027;

type Span = NonNullable<LocalCode['closed']>[number];

/** 'N and P', short enough to stand in a bar. */
const nutrientLetters = (nutrients: Span['nutrients']): string => nutrients.map((each) => each.charAt(0)).join(' and ');

interface CodeStripProps {
  code: LocalCode;
  shipped: LocalCode | undefined;
  effects: readonly EffectHere[];
  /** The span whose date is being typed. */
  typing: number | undefined;
}

/** The year under a code: what it closes as it is typed, what the shipped one closes, and the doses that stand in it. */
export function CodeStrip({ code, shipped, effects, typing }: CodeStripProps) {
  const units = useUnits();
  const [ref, room] = useWidth<HTMLDivElement>(806);
  const id = useId().replaceAll(':', '');
  const width = Math.max(LEAST_WIDTH, room);
  const days = daysInYear(YEAR);
  const x = yearScale(days, width);
  const starts = monthStarts(YEAR);
  const growth = effects.find((each) => each.growth)?.growth;
  const closed = (code.closed ?? []).filter(({ nutrients }) => nutrients.length > 0);
  const doses = effects.flatMap((each) => each.doses.map((dose) => ({ ...dose, drafted: each.drafted })));
  const failing = doses.filter((dose) => dose.fails);
  const typed = typing === undefined ? undefined : code.closed?.[typing];
  const season = code.localWatering?.season;
  const says = [
    ...(closed.length > 0
      ? closed.map(
          (each) => `Closed for ${each.nutrients.join(', ')} from ${sayMonthDay(each.from)} to ${sayMonthDay(each.to)}`,
        )
      : ['No closed dates']),
    ...(failing.length > 0 ? [`failing: ${failing.map((dose) => sayDay(dose.date)).join(', ')}`] : []),
  ].join('; ');
  const flagAt = typed && x(placeOf(YEAR, typed.from));
  return (
    <div
      ref={ref}
      className="codestrip"
      tabIndex={0}
      role="group"
      aria-label="The year under this code, pans sideways where it is narrow"
    >
      <svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} role="img" aria-label={says}>
        <defs>
          <pattern id={`${id}-closed`} width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <path d="M0 0V6" stroke="#54483B" strokeWidth="1.5" strokeOpacity=".45" />
          </pattern>
        </defs>
        {starts.slice(1).map((start) => (
          <path key={start} d={`M${x(start)} 2V126`} stroke="var(--rule-2)" />
        ))}
        {MONTHS.map((month, i) => (
          <text key={month} x={x(starts[i] as number) + 4} y="11" className="axis">
            {month}
          </text>
        ))}
        {growth && <path d={dayArea(growth, x, growthHeight(SOIL, TALL), SOIL)} fill="var(--growth)" />}
        <path d={`M0 ${SOIL}H${width}`} stroke="var(--loam)" strokeWidth="1.4" />
        {(shipped?.closed ?? []).flatMap((span, i) =>
          partsOfSpan(span).map((part) => (
            <rect
              key={`${i}-${part.from}`}
              x={x(part.from) + 0.5}
              y={SHIPPED.top}
              width={Math.max(2, x(part.to + 1) - x(part.from) - 1)}
              height={SHIPPED.high}
              fill="none"
              stroke="var(--loam-2)"
              strokeDasharray="4 3"
            />
          )),
        )}
        {closed.flatMap((span, i) =>
          partsOfSpan(span).map((part) => {
            const left = x(part.from);
            const wide = Math.max(2, x(part.to + 1) - left);
            const words = `${nutrientLetters(span.nutrients)}${part.part ? `, part ${part.part} of 2` : ''}`;
            const fits = wide > words.length * 6 + 8;
            return (
              <g key={`${i}-${part.from}`}>
                <rect
                  x={left}
                  y={OWN.top}
                  width={wide}
                  height={OWN.high}
                  fill={`url(#${id}-closed)`}
                  stroke={span === typed ? 'var(--moss)' : 'var(--loam)'}
                  strokeWidth={span === typed ? 2.4 : 1.2}
                />
                {fits && (
                  <>
                    <rect
                      x={left + 5}
                      y={OWN.top + 4}
                      width={words.length * 5.9 + 6}
                      height="14"
                      fill="var(--lichen)"
                    />
                    <text x={left + 8} y={OWN.top + 15} className="axis strong">
                      {words}
                    </text>
                  </>
                )}
              </g>
            );
          }),
        )}
        {typed && flagAt !== undefined && (
          <g>
            <path d={`M${flagAt} 22V126`} stroke="var(--moss)" strokeWidth="2" />
            <rect
              x={flagAt > width - 90 ? flagAt - 84 : flagAt}
              y="18"
              width="84"
              height="17"
              fill="var(--sheet)"
              stroke="var(--moss)"
            />
            <text
              x={(flagAt > width - 90 ? flagAt - 84 : flagAt) + 42}
              y="31"
              textAnchor="middle"
              className="axis strong"
            >
              from {sayMonthDay(typed.from)}
            </text>
          </g>
        )}
        <path d={`M0 ${MARKS_AT}H${width}`} stroke="var(--edge)" strokeWidth=".8" />
        {doses.map((dose, i) => {
          const at = x(placeOf(YEAR, dose.date.slice(5)));
          return (
            <g key={i} className={dose.fails ? 'failing' : undefined}>
              {dose.fails && (
                <path d={`M${at} ${OWN.top + OWN.high}V${MARKS_AT - 8}`} stroke="var(--clay)" strokeWidth="1.5" />
              )}
              <Mark purpose={dose.for} x={at} y={MARKS_AT} d={14} />
              {dose.fails && <circle cx={at} cy={MARKS_AT} r="10" fill="none" stroke="var(--clay)" strokeWidth="1.6" />}
            </g>
          );
        })}
        {season && (
          <g stroke="var(--slate)" strokeWidth="1.6">
            {partsOfSpan(season).map((part) => (
              <path
                key={part.from}
                d={`M${x(part.from)} ${SEASON_AT}H${x(part.to + 1)}M${x(part.from)} ${SEASON_AT - 4}v8M${x(part.to + 1)} ${SEASON_AT - 4}v8`}
              />
            ))}
          </g>
        )}
      </svg>
      <p className="key small">
        <span>
          <i className="closed" /> closed
        </span>
        {typed && (
          <span>
            <i className="typed" /> as you type
          </span>
        )}
        {shipped && (
          <span>
            <i className="shipped" /> shipped
          </span>
        )}
        {doses.length > 0 && (
          <span>
            doses of {effects.length === 1 ? 'the property' : `the ${effects.length} properties`}
            {failing.length > 0 && (
              <>
                ,{' '}
                <b className="fails">
                  {failing.length === 1 && failing[0]
                    ? `${sayDay(failing[0].date)} fails (${units.rate(failing[0].lbN)} ${units.short('nutrient-rate', 'N')})`
                    : `${failing.length} fail`}
                </b>
              </>
            )}
          </span>
        )}
        {season && (
          <span>
            <i className="season" /> watering season
          </span>
        )}
      </p>
    </div>
  );
}
