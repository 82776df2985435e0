import { fixed, significant } from '@core/words/numbers';
/** One measured value on an axis whose bounds fall on the same three columns as every other track of the page. */

/** Width shares of the columns low, enough, high. */
export const COLUMNS = { low: 0.29, enough: 0.39, high: 0.32 } as const;

export interface TrackScale {
  /** Left end, the two bounds, right end, in the value's unit. */
  from: number;
  enough: number;
  high: number;
  to: number;
}

/** Place of a value along the track, 0..1: straight inside each column, so that bounds line up. */
export function placeOnTrack(value: number, { from, enough, high, to }: TrackScale): number {
  const within = (low: number, top: number) => Math.min(1, Math.max(0, (value - low) / (top - low || 1)));
  if (value <= enough) return COLUMNS.low * within(from, enough);
  if (value <= high) return COLUMNS.low + COLUMNS.enough * within(enough, high);
  return COLUMNS.low + COLUMNS.enough + COLUMNS.high * within(high, to);
}

interface TrackProps {
  scale: TrackScale;
  value: number;
  shown: string;
  width: number;
  label: string;
  /** For pH: the grass's window as a bar, and where to aim. */
  window?: { name: string; aim: number };
}

const HEIGHT = 58;
const BASE = 38;

const ends = (x: number, decimals?: number): string =>
  decimals === undefined ? String(significant(x, 3)) : fixed(x, decimals);

/** Draws the track: axis, bounds, a plumb pin at the value; past an end a break mark. */
export function Track({ scale, value, shown, width, label, window }: TrackProps) {
  const decimals = window ? 1 : undefined;
  const x = (v: number) => placeOnTrack(v, scale) * width;
  const pin = x(value);
  const over = value > scale.to || value < scale.from;
  // the figure keeps to its own side of a boundary line
  const bounds = [COLUMNS.low * width, (COLUMNS.low + COLUMNS.enough) * width];
  const half = shown.length * 5;
  let textAt = Math.min(Math.max(pin, half), width - half);
  for (const bound of bounds)
    if (Math.abs(textAt - bound) < half + 2) textAt = pin < bound ? bound - half - 3 : bound + half + 3;
  return (
    <svg width={width} height={HEIGHT} viewBox={`0 0 ${width} ${HEIGHT}`} role="img" aria-label={label}>
      <path
        d={`M0 ${BASE}H${width}M.5 ${BASE - 4}v8M${width - 0.5} ${BASE - 4}v8`}
        stroke="var(--loam)"
        strokeWidth="1.3"
      />
      {window && (
        <g>
          <rect
            x={bounds[0]}
            y={BASE - 5}
            width={(bounds[1] as number) - (bounds[0] as number)}
            height="10"
            fill="var(--moss)"
          />
          <text
            x={((bounds[0] as number) + (bounds[1] as number)) / 2}
            y={BASE + 3.6}
            textAnchor="middle"
            style={{ fontSize: 11, fontWeight: 600, fill: 'var(--sheet)' }}
          >
            {window.name}
          </text>
        </g>
      )}
      {[scale.enough, scale.high].map((bound, i) => (
        <g key={i}>
          <path d={`M${bounds[i]} ${BASE - 5}v10`} stroke="var(--moss)" strokeWidth="2" />
          <text x={bounds[i]} y={BASE + 17} textAnchor="middle" style={{ fontSize: 13, fontWeight: 600 }}>
            {ends(bound, decimals)}
          </text>
        </g>
      ))}
      <text x="0" y={BASE + 16} style={{ fontSize: 11.5, fill: 'var(--loam-3)' }}>
        {ends(scale.from, decimals)}
      </text>
      <text x={width} y={BASE + 16} textAnchor="end" style={{ fontSize: 11.5, fill: 'var(--loam-3)' }}>
        {ends(scale.to, decimals)}
      </text>
      {window && (
        <g>
          <path
            d={`M${Math.min(pin, x(window.aim)) + 4} 12H${Math.max(pin, x(window.aim)) - 5}`}
            stroke="var(--loam)"
            strokeDasharray="2 2.5"
          />
          <circle cx={x(window.aim)} cy="12" r="4" fill="var(--paper)" stroke="var(--loam)" strokeWidth="1.4" />
          <path d={`M${x(window.aim)} 16V${BASE - 5}`} stroke="var(--loam)" strokeWidth="1.2" />
          <text
            x={x(window.aim) + (pin > x(window.aim) ? -8 : 8)}
            y="16"
            textAnchor={pin > x(window.aim) ? 'end' : 'start'}
            style={{ fontSize: 13 }}
            className="halo"
          >
            aim {fixed(window.aim, 1)}
          </text>
        </g>
      )}
      <path d={`M${pin} ${BASE}V24M${pin - 5} 24h10l-5 8Z`} fill="var(--loam)" stroke="var(--loam)" strokeWidth="1.6" />
      {over && <path d={`M${pin - 10} ${BASE - 5}l4 10m2-10l4 10`} stroke="var(--loam)" strokeWidth="1.4" />}
      <text x={textAt} y="19" textAnchor="middle" className="halo" style={{ font: '600 19px var(--serif)' }}>
        {shown}
      </text>
    </svg>
  );
}
