import { type KeyboardEvent, type PointerEvent, useId, useState } from 'react';
import type { ClosedWindow } from '@core/climate/closed-window';
import type { SeasonTurn } from '@core/season/plan/season-windows';
import { addDays, monthStarts } from '@core/days/day';
import { sayDay } from '@core/words/days';
import { MONTHS } from '../../ui/ribbon';
import { useWidth } from '../../ui/use-width';
import { windowFill, WindowPatterns } from '../../ui/window-patterns';
import type { Curve } from '../../work/year-curves';
import { fixed, roundedTo } from '@core/words/numbers';

const LEAST_WIDTH = 640;
const TALL = 64;
const BAR = 19;
const HEAD = 16;
const INSET = 7;
/** Names of turns that stand close go below each other. */
const TURN_ROWS = 3;

const niceStep = (span: number): number => {
  const rough = span / 3;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((n) => n * power >= rough) ?? 10) * power;
};

/** Lowest and highest value shown, at whole steps. */
function scaleOf(curve: Curve): { least: number; most: number; step: number } {
  const all = [...curve.lines.flatMap((line) => line.values), ...(curve.limit ? [curve.limit.at] : [])];
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const step = niceStep(Math.max(high - low, 1e-6));
  return { least: Math.floor(low / step) * step, most: Math.ceil(high / step) * step, step };
}

function path(values: readonly number[], x: (day: number) => number, y: (value: number) => number): string {
  return values.map((v, day) => `${day === 0 ? 'M' : 'L'}${fixed(x(day), 1)} ${fixed(y(v), 1)}`).join('');
}

/** Windows in as few rows as keep them from touching. */
function rowsOf(windows: readonly ClosedWindow[]): ClosedWindow[][] {
  const rows: ClosedWindow[][] = [];
  for (const window of windows) {
    const row = rows.find((r) => (r.at(-1)?.to ?? -1) < window.from - 1);
    if (row) row.push(window);
    else rows.push([window]);
  }
  return rows;
}

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
  const id = useId().replaceAll(':', '');
  const [measure, room] = useWidth<HTMLDivElement>(806);
  const [day, setDay] = useState(start);
  const width = Math.max(LEAST_WIDTH, room);
  const starts = monthStarts(year);
  const x = (at: number) => (at / days) * width;
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
    setDay(Math.max(0, Math.min(days - 1, Math.floor(((event.clientX - left) / wide) * days))));
  };
  const date = addDays(`${year}-01-01`, day);
  const here = windows.filter((w) => day >= w.from && day <= w.to);
  const says = (curve: Curve) =>
    curve.lines
      .map((line) => `${line.name ? `${line.name} ` : ''}${fixed(line.values[day] ?? 0, curve.digits)}`)
      .join(', ');
  const told = `${sayDay(date)}: ${curves.map((c) => `${c.name.toLowerCase()} ${says(c)} ${c.unit}`).join('; ')}${here.length > 0 ? `; ${here.map((w) => `${w.title}, ${w.forbids}`).join('; ')}` : ''}`;
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
                {line.name} {fixed(line.values[day] ?? 0, curve.digits)} {curve.unit}
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
          {curves.map((curve, i) => {
            const { least, most, step } = scaleOf(curve);
            const [top, base] = [HEAD + i * TALL + INSET, HEAD + (i + 1) * TALL - 4];
            const y = (value: number) => base - ((value - least) / (most - least)) * (base - top);
            return (
              <g key={curve.name}>
                <path d={`M0 ${HEAD + i * TALL}H${width}`} stroke="var(--rule-2)" />
                {Array.from({ length: Math.round((most - least) / step) + 1 }, (_, n) => least + n * step).map(
                  (tick) => (
                    <path key={tick} d={`M0 ${y(tick)}H${width}`} stroke="var(--rule)" strokeWidth=".6" />
                  ),
                )}
                {curve.lines.map((line) => (
                  <g key={line.name}>
                    {line.fill && (
                      <path
                        d={`${path(line.values, x, y)}L${width} ${base}L0 ${base}Z`}
                        fill={line.fill}
                        opacity=".7"
                      />
                    )}
                    <path
                      d={path(line.values, x, y)}
                      fill="none"
                      stroke={line.ink}
                      strokeWidth="1.6"
                      strokeDasharray={line.dash ? '4 3' : undefined}
                    />
                  </g>
                ))}
                {curve.limit && (
                  <g>
                    <path d={`M0 ${y(curve.limit.at)}H${width}`} stroke="var(--clay)" strokeDasharray="2 3" />
                    <text
                      x={x(starts[6] as number)}
                      y={y(curve.limit.at) - 3}
                      textAnchor="middle"
                      className="axis strong"
                    >
                      {curve.limit.says}
                    </text>
                  </g>
                )}
                <text x={width - 3} y={top + 8} textAnchor="end" className="axis">
                  {roundedTo(most, 4)}
                </text>
                <text x={width - 3} y={base} textAnchor="end" className="axis">
                  {roundedTo(least, 4)}
                </text>
              </g>
            );
          })}
          <path d={`M0 ${foot}H${width}`} stroke="var(--edge)" />
          {rows.map((row, r) =>
            row.map((w) => {
              const [left, wide] = [x(w.from), Math.max(2, x(w.to + 1) - x(w.from))];
              const words = `${w.title}: ${w.forbids}`;
              const text = wide > words.length * 5.9 + 8 ? words : wide > w.title.length * 5.9 + 8 ? w.title : '';
              return (
                <g key={`${w.kind}${w.from}${w.title}`}>
                  <rect
                    x={left}
                    y={foot + 3 + r * BAR}
                    width={wide}
                    height={BAR - 4}
                    fill={windowFill(id, w.kind)}
                    stroke="var(--edge)"
                    strokeWidth=".7"
                  />
                  {text && (
                    <>
                      <rect
                        x={left + 2}
                        y={foot + 4.5 + r * BAR}
                        width={text.length * 5.9 + 5}
                        height={BAR - 7}
                        fill="var(--paper)"
                      />
                      <text x={left + 5} y={foot + 14.5 + r * BAR} className="axis strong">
                        {text}
                      </text>
                    </>
                  )}
                </g>
              );
            }),
          )}
          {turns.map((turn, t) => {
            const at = x(turn.day);
            const base = foot + rows.length * BAR + 14 + (t % TURN_ROWS) * 14;
            const left = at > width - 90;
            return (
              <g key={turn.title}>
                <path d={`M${at} ${HEAD}V${base}`} stroke="var(--loam)" strokeWidth="1" strokeDasharray="1 3" />
                <text x={left ? at - 4 : at + 4} y={base} textAnchor={left ? 'end' : 'start'} className="axis strong">
                  {turn.title}
                </text>
              </g>
            );
          })}
          <path d={`M${x(day + 0.5)} 0V${foot + rows.length * BAR + 4}`} stroke="var(--moss)" strokeWidth="2" />
        </svg>
      </div>
    </div>
  );
}
