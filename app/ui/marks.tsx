import { isFoliarPurpose } from '@core/foliar/foliar-feeds';
import type { PlannedFor } from '@core/records/case';

/** What a mark stands for. Its letter, and its word for those who cannot see it. */
export const MARK_OF: Record<PlannedFor, { letter: string; word: string }> = {
  N: { letter: 'N', word: 'nitrogen' },
  P2O5: { letter: 'P', word: 'phosphate' },
  K2O: { letter: 'K', word: 'potash' },
  lime: { letter: 'L', word: 'lime' },
  sulfur: { letter: 'S', word: 'sulfur' },
  gypsum: { letter: 'G', word: 'gypsum' },
  iron: { letter: 'Fe', word: 'iron' },
  manganese: { letter: 'Mn', word: 'manganese' },
};

/** Diameter of a circle whose area follows the amount; lime counts a fiftieth. */
export function markSize(purpose: PlannedFor, lbPer1000: number, scale: number, least = 11.5, most = 24): number {
  const d = scale * Math.sqrt(purpose === 'lime' || purpose === 'gypsum' ? lbPer1000 / 50 : lbPer1000);
  return Math.min(most, Math.max(least, d));
}

/**
 * The shape code: circle N, diamond K2O, square lime, triangle pointing down S, six sides gypsum, a leaf for sprays on it. Phosphate has no shape of its own, only
 * its letter. `d` is the diameter of the circle of equal area.
 */
export function Mark({
  purpose,
  x,
  y,
  d,
  state = 'planned',
}: {
  purpose: PlannedFor;
  x: number;
  y: number;
  d: number;
  /** `given` is filled; a `ghost` is where something given or gone was planned; `missed` is struck through. */
  state?: 'planned' | 'due' | 'given' | 'ghost' | 'missed';
}) {
  const stroke = {
    planned: 'var(--loam)',
    due: 'var(--moss)',
    given: 'var(--loam)',
    ghost: 'var(--edge)',
    missed: 'var(--clay)',
  }[state];
  const shape = {
    fill: state === 'given' ? 'var(--loam)' : 'var(--sheet)',
    stroke,
    strokeWidth: state === 'due' ? 2 : 1.4,
    ...(state === 'ghost' ? { strokeDasharray: '2 2' } : {}),
  };
  const h = {
    N: d / 2,
    P2O5: d / 2,
    K2O: (1.253 * d) / 2,
    lime: (0.886 * d) / 2,
    sulfur: (1.347 * d) / 2,
    gypsum: (0.93 * d) / 2,
    iron: (1.4 * d) / 2,
    manganese: (1.4 * d) / 2,
  }[purpose];
  return (
    <g>
      {purpose === 'N' && <circle cx={x} cy={y} r={h} {...shape} />}
      {purpose === 'K2O' && <path d={`M${x} ${y - h}L${x + h} ${y}L${x} ${y + h}L${x - h} ${y}Z`} {...shape} />}
      {purpose === 'lime' && <rect x={x - h} y={y - h} width={2 * h} height={2 * h} {...shape} />}
      {purpose === 'gypsum' && (
        <path
          d={`M${x - h} ${y - h * 0.5}L${x} ${y - h}L${x + h} ${y - h * 0.5}V${y + h * 0.5}L${x} ${y + h}L${x - h} ${y + h * 0.5}Z`}
          {...shape}
        />
      )}
      {isFoliarPurpose(purpose) && (
        <path d={`M${x - h} ${y}Q${x} ${y - 1.5 * h} ${x + h} ${y}Q${x} ${y + 1.5 * h} ${x - h} ${y}Z`} {...shape} />
      )}
      {purpose === 'sulfur' && <path d={`M${x - h} ${y - h * 0.72}H${x + h}L${x} ${y + h}Z`} {...shape} />}
      {(d >= 11 || purpose === 'P2O5') && (
        <text
          x={x}
          y={y + (purpose === 'sulfur' ? 1.6 : 3.2)}
          textAnchor="middle"
          style={{
            fontSize: isFoliarPurpose(purpose) ? Math.max(7.5, d * 0.6) : Math.max(8.5, d * 0.55),
            fontWeight: 700,
            fill: state === 'given' ? 'var(--sheet)' : stroke,
          }}
        >
          {MARK_OF[purpose].letter}
        </text>
      )}
      {state === 'missed' && (
        <path d={`M${x - 0.7 * d} ${y + 0.7 * d}L${x + 0.7 * d} ${y - 0.7 * d}`} stroke={stroke} strokeWidth={1.6} />
      )}
    </g>
  );
}

/** Sulfur on a label: free with its point, which pushes pH down; combined cut off, which only feeds. The word stands beside it. */
export function SulfurSign({ kind }: { kind: 'free' | 'combined' }) {
  return (
    <svg className="sulfursign" width="13" height="11" viewBox="0 0 13 11" aria-hidden="true">
      {kind === 'free' ? (
        <path d="M.9 1H12.1L6.5 10.2Z" fill="var(--loam)" />
      ) : (
        <path d="M.9 1.5H12.1L8.9 9.2H4.1Z" fill="none" stroke="var(--loam)" strokeWidth="1.3" />
      )}
    </svg>
  );
}
