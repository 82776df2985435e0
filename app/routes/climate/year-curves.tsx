import { type KeyboardEvent, type PointerEvent, useId, useState } from 'react';
import type { ClosedWindow } from '@core/climate/closed-window';
import type { SeasonTurn } from '@core/season/plan/season-windows';
import { addDays, monthStarts } from '@core/days/day';
import { sayDay } from '@core/words/days';
import { MONTHS, yearScale } from '../../ui/year-plot';
import { useWidth } from '../../ui/use-width';
import { WindowPatterns } from '../../ui/window-patterns';
import type { Curve } from '../../work/year-curves';
import { BAR, CurvePlot, HEAD, rowsOf, TALL, TURN_ROWS, TurnLines, WindowRows } from './curve-plot';
import { useUnits } from '../../ui/format';

const LEAST_WIDTH = 640;

/**
 * The year of a climate on one axis: each curve in its own plot, the closed windows below, the days the year turns on through
 * all. A pointer or the arrow keys walk the days; what each curve says on that day stands beside it.
 */
export function YearCurves({
  year,
  curves,
  windows,
  turns,
  days,
  start,
}: {
  year: number;
  curves: readonly Curve[];
  windows: readonly ClosedWindow[];
  turns: readonly SeasonTurn[];
  days: number;
  start: number;
}) {
  const units = useUnits();
  const id = useId().replaceAll(':', '');
  const [measure, room] = useWidth<HTMLDivElement>(806);
  const [day, setDay] = useState(start);
  const width = Math.max(LEAST_WIDTH, room);
  const starts = monthStarts(year);
  const x = yearScale(days, width);
  const rows = rowsOf(windows);
  const foot = HEAD + curves.length * TALL;
  const height = foot + rows.length * BAR + 6 + Math.min(turns.length, TURN_ROWS) * 14;
  const walk = (event: KeyboardEvent) => {
    const by: Record<string, number> = {
      ArrowLeft: -1,
      ArrowRight: 1,
      PageUp: -28,
      PageDown: 28,
      Home: -days,
      End: days,
    };
    const step = by[event.key];
    if (step === undefined) return;
    event.preventDefault();
    setDay((at) => Math.max(0, Math.min(days - 1, at + step * (event.shiftKey ? 7 : 1))));
  };
  const point = (event: PointerEvent<SVGSVGElement>) => {
    const { left, width: wide } = event.currentTarget.getBoundingClientRect();
    setDay(Math.max(0, Math.min(days - 1, Math.floor(x.invert(((event.clientX - left) / wide) * width)))));
  };
  const date = addDays(`${year}-01-01`, day);
  const here = windows.filter((w) => day >= w.from && day <= w.to);
  const says = (curve: Curve) =>
    curve.lines
      .map((line) => `${line.name ? `${line.name} ` : ''}${units.number(line.values[day] ?? 0, curve.digits)}`)
      .join(', ');
  const told = `${sayDay(date)}: ${curves.map((c) => `${c.name.toLowerCase()} ${says(c)} ${c.unit}`).join('; ')}${here.length > 0 ? `; ${here.map((w) => `${w.title}, ${units.said(w.forbids)}`).join('; ')}` : ''}`;
  return (
    <div className="curves">
      <div className="names" style={{ height }}>
        <b className="of-day">{sayDay(date)}</b>
        {curves.map((curve, i) => (
          <div key={curve.name} style={{ top: HEAD + i * TALL }}>
            <b>{curve.name}</b>
            {curve.lines.map((line) => (
              <span key={line.name}>
                {curve.lines.length > 1 && (
                  <svg width="14" height="8" aria-hidden="true">
                    <path
                      d="M0 4H14"
                      stroke={line.ink}
                      strokeWidth="2.2"
                      strokeDasharray={line.dash ? '3 2' : undefined}
                    />
                  </svg>
                )}
                {line.name} {units.number(line.values[day] ?? 0, curve.digits)} {curve.unit}
              </span>
            ))}
          </div>
        ))}
        <div style={{ top: foot }}>
          <b>Closed windows</b>
        </div>
      </div>
      <div
        ref={measure}
        className="plot"
        role="slider"
        tabIndex={0}
        aria-label="Day of the year"
        aria-valuemin={1}
        aria-valuemax={days}
        aria-valuenow={day + 1}
        aria-valuetext={told}
        onKeyDown={walk}
      >
        <svg
          width={width}
          height={height}
          viewBox={`0 0 ${width} ${height}`}
          onPointerMove={point}
          onPointerDown={point}
        >
          <WindowPatterns id={id} />
          {MONTHS.map((month, m) => (
            <g key={month}>
              {m > 0 && <path d={`M${x(starts[m] as number)} 0V${height}`} stroke="var(--rule)" />}
              <text x={x(starts[m] as number) + 4} y="11" className="axis">
                {month}
              </text>
            </g>
          ))}
          {curves.map((curve, i) => (
            <CurvePlot
              key={curve.name}
              curve={curve}
              at={HEAD + i * TALL}
              x={x}
              width={width}
              julyAt={starts[6] as number}
            />
          ))}
          <path d={`M0 ${foot}H${width}`} stroke="var(--edge)" />
          <WindowRows rows={rows} foot={foot} x={x} id={id} />
          <TurnLines turns={turns} below={foot + rows.length * BAR} x={x} width={width} />
          <path d={`M${x(day + 0.5)} 0V${foot + rows.length * BAR + 4}`} stroke="var(--moss)" strokeWidth="2" />
        </svg>
      </div>
    </div>
  );
}
