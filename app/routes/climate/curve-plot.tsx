import type { ClosedWindow } from '@core/climate/closed-window';
import type { SeasonTurn } from '@core/season/plan/season-windows';
import { windowFill } from '../../ui/window-patterns';
import { dayArea, dayLine, valueScale, type YearScale } from '../../ui/year-plot';
import type { Curve } from '../../work/year-curves';
import { useUnits } from '../../ui/format';

/** Height of one curve's plot, of a row of windows, of the months' names, px. */
export const TALL = 64;
export const BAR = 19;
export const HEAD = 16;
const INSET = 7;
/** Names of turns that stand close go below each other. */
export const TURN_ROWS = 3;

interface OnTheYear {
  x: YearScale;
  width: number;
}

/** One curve in its own plot, `at` px from the top, its limit drawn across. */
export function CurvePlot({ curve, at, x, width, julyAt }: OnTheYear & { curve: Curve; at: number; julyAt: number }) {
  const units = useUnits();
  const [top, base] = [at + INSET, at + TALL - 4];
  const shown = [...curve.lines.flatMap((line) => line.values), ...(curve.limit ? [curve.limit.at] : [])];
  const y = valueScale(shown, base, top);
  const [least, most] = y.domain() as [number, number];
  return (
    <g>
      <path d={`M0 ${at}H${width}`} stroke="var(--rule-2)" />
      {y.ticks(3).map((tick) => (
        <path key={tick} d={`M0 ${y(tick)}H${width}`} stroke="var(--rule)" strokeWidth=".6" />
      ))}
      {curve.lines.map((line) => (
        <g key={line.name}>
          {line.fill && <path d={dayArea(line.values, x, y, base)} fill={line.fill} opacity=".7" />}
          <path
            d={dayLine(line.values, x, y)}
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
          <text x={x(julyAt)} y={y(curve.limit.at) - 3} textAnchor="middle" className="axis strong">
            {curve.limit.says}
          </text>
        </g>
      )}
      <text x={width - 3} y={top + 8} textAnchor="end" className="axis">
        {units.plain(most, 4)}
      </text>
      <text x={width - 3} y={base} textAnchor="end" className="axis">
        {units.plain(least, 4)}
      </text>
    </g>
  );
}

/** Windows in as few rows as keep them from touching. */
export function rowsOf(windows: readonly ClosedWindow[]): ClosedWindow[][] {
  const rows: ClosedWindow[][] = [];
  for (const window of windows) {
    const row = rows.find((r) => (r.at(-1)?.to ?? -1) < window.from - 1);
    if (row) row.push(window);
    else rows.push([window]);
  }
  return rows;
}

/** The closed windows below the curves, named where there is room. */
export function WindowRows({ rows, foot, x, id }: { rows: ClosedWindow[][]; foot: number; x: YearScale; id: string }) {
  const units = useUnits();
  return (
    <>
      {rows.map((row, r) =>
        row.map((w) => {
          const [left, wide] = [x(w.from), Math.max(2, x(w.to + 1) - x(w.from))];
          const words = `${w.title}: ${units.said(w.forbids)}`;
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
    </>
  );
}

/** The days the year turns on, through all the curves. */
export function TurnLines({ turns, below, x, width }: OnTheYear & { turns: readonly SeasonTurn[]; below: number }) {
  return (
    <>
      {turns.map((turn, t) => {
        const at = x(turn.day);
        const base = below + 14 + (t % TURN_ROWS) * 14;
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
    </>
  );
}
