import { useCallback, useEffect, useId, useRef } from 'react';
import type { PlannedFor } from '@core/records/case';
import type { GrowthSeason } from '@core/climate/climate-year';
import { type ClosedWindow, windowInShort } from '@core/climate/closed-window';
import { dayOfYear, daysInYear, monthStarts } from '@core/days/day';
import { sayDay } from '@core/words/days';
import { Mark, markSize } from './marks';
import { useWidth } from './use-width';
import { dayArea, dayLine, growthHeight, MONTHS, valueScale, yearScale } from './year-plot';
import { windowFill, WindowPatterns } from './window-patterns';
import { fixed } from '@core/words/numbers';

/** What the ribbon draws for one dose. */
export interface RibbonDose {
  date: string;
  for: PlannedFor;
  /** lb of what it is for, per 1000 ft2. */
  lb: number;
  says: string;
}

/** Narrower than this the year pans, starting about today. */
const LEAST_WIDTH = 640;
const SOIL_LINE = 52;
const GROWTH_TOP = 34;
const MARKS_AT = 66;

/** A curve of the year drawn over the growth: one value a day. */
export interface RibbonCurve {
  name: string;
  unit: string;
  digits: number;
  values: readonly number[];
}

/** The curve's ends in words: 'Soil at 3 in, 34 to 82 °F'. */
const curveSays = ({ name, unit, digits, values }: RibbonCurve): string =>
  `${name}, ${fixed(Math.min(...values), digits)} to ${fixed(Math.max(...values), digits)} ${unit}`;

export interface RibbonProps {
  season?: GrowthSeason;
  windows: readonly ClosedWindow[];
  doses: RibbonDose[];
  year: number;
  today: string;
  label: string;
  emptySays?: string;
  curve?: RibbonCurve;
}

/** The year of a zone: growth above the soil line, what is fed below it, closed windows over both, today through all. */
export function Ribbon({ season, windows, doses, year, today, label, emptySays, curve }: RibbonProps) {
  const [measure, room] = useWidth<HTMLDivElement>(806);
  const panned = useRef<HTMLDivElement>(null);
  const ref = useCallback(
    (element: HTMLDivElement | null) => {
      panned.current = element;
      return measure(element);
    },
    [measure],
  );
  const width = Math.max(LEAST_WIDTH, room);
  const id = useId().replaceAll(':', '');
  const days = daysInYear(year);
  const starts = monthStarts(year);
  const x = yearScale(days, width);
  const growthY = growthHeight(SOIL_LINE, GROWTH_TOP);
  const over = curve && valueScale(curve.values, SOIL_LINE, SOIL_LINE - GROWTH_TOP + 2);
  const todayAt = today.startsWith(String(year)) ? dayOfYear(today) : undefined;
  useEffect(() => {
    const plot = panned.current;
    if (plot && todayAt !== undefined) plot.scrollLeft = yearScale(days, width)(todayAt) - plot.clientWidth / 2;
  }, [todayAt, days, width]);
  const todayMonth = todayAt === undefined ? -1 : starts.findLastIndex((start) => start <= todayAt);
  // in full where there is room, else its name
  const labelled = windows.flatMap((w) =>
    [windowInShort(w), w.title]
      .filter((says) => x(w.to - w.from) > says.length * 5.6)
      .slice(0, 1)
      .map((says) => ({ ...w, says })),
  );
  return (
    <div
      ref={ref}
      className="ribbon-plot"
      tabIndex={0}
      role="group"
      aria-label="The year, pans sideways where it is narrow"
    >
      <svg width={width} height="84" viewBox={`0 0 ${width} 84`} role="img" aria-label={label}>
        <WindowPatterns id={id} />
        {season && <path d={dayArea(season.growth, x, growthY, SOIL_LINE)} fill="var(--growth)" />}
        {starts.slice(1).map((start) => (
          <path key={start} d={`M${x(start)} 2V78`} stroke="var(--rule)" />
        ))}
        {windows.map((w, i) => (
          <rect
            key={i}
            x={x(w.from)}
            y="15"
            width={Math.max(1, x(w.to + 1 - w.from))}
            height="63"
            fill={windowFill(id, w.kind)}
            stroke="var(--edge)"
            strokeWidth=".6"
          />
        ))}
        {season && (
          <path d={dayLine(season.growth, x, growthY)} fill="none" stroke="var(--growth-line)" strokeWidth="1.3" />
        )}
        {MONTHS.map((month, i) => (
          <text key={month} x={x(starts[i] as number) + 4} y="11" className={i === todayMonth ? 'axis hidden' : 'axis'}>
            {month}
          </text>
        ))}
        {curve && over && (
          <g>
            <path d={dayLine(curve.values, x, over)} fill="none" stroke="var(--lichen)" strokeWidth="4" />
            <path d={dayLine(curve.values, x, over)} fill="none" stroke="var(--slate)" strokeWidth="1.8" />
            <text
              x={width - 6}
              y="47"
              textAnchor="end"
              className="axis strong"
              stroke="var(--lichen)"
              strokeWidth="4"
              paintOrder="stroke"
            >
              {curveSays(curve)}
            </text>
          </g>
        )}
        {labelled.map((w, i) => {
          const row = labelled.slice(0, i).filter((other) => other.to > w.from && other.from < w.to).length;
          return (
            <g key={i}>
              <rect
                x={x(w.from) + 1}
                y={15.5 + row * 15}
                width={w.says.length * 5.6 + 4}
                height="14"
                fill="var(--lichen)"
              />
              <text x={x(w.from) + 3} y={26 + row * 15} className="axis strong">
                {w.says}
              </text>
            </g>
          );
        })}
        {season && (
          <path
            d={`M${x(season.lastFrost + 1)} 76V81H${x(Math.min(days, season.firstFrost))}V76`}
            fill="none"
            stroke="var(--slate)"
            strokeWidth="1.2"
          >
            <title>{`No frost between ${season.lastFrost + 1} and ${season.firstFrost}, days of the year`}</title>
          </path>
        )}
        <path d={`M0 ${SOIL_LINE}H${width}`} stroke="var(--loam)" strokeWidth="1.3" />
        {emptySays && doses.length === 0 && (
          <text x={width / 2} y={70} textAnchor="middle" className="ribbon-note">
            {emptySays}
          </text>
        )}
        {doses.map((dose, i) => {
          const sameDay = doses
            .slice(0, i)
            .filter((other) => Math.abs(dayOfYear(other.date) - dayOfYear(dose.date)) < 8).length;
          return (
            <Mark
              key={i}
              purpose={dose.for}
              x={x(dayOfYear(dose.date)) + sameDay * 15}
              y={MARKS_AT}
              d={markSize(dose.for, dose.lb, 19.5)}
            />
          );
        })}
        <path d={`M0 83.5H${width}`} stroke="var(--edge)" />
        {todayAt !== undefined && (
          <g>
            <path d={`M${x(todayAt)} 0V84`} stroke="var(--moss)" strokeWidth="2" />
            <rect x={x(todayAt) - 1} y="0" width="44" height="15" fill="var(--moss)" />
            <text x={x(todayAt) + 4} y="11.3" className="axis on-moss">
              {sayDay(today)}
            </text>
          </g>
        )}
      </svg>
      <ul className="vh">
        {doses.map((dose, i) => (
          <li key={i}>{dose.says}</li>
        ))}
      </ul>
    </div>
  );
}
