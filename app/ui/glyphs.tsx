/** Small signs of state and verdict. Every one stands beside its word, so all are hidden from screen readers. */

const LOAM = 'var(--loam)';

/** Low, enough, high: the same three columns as the tracks. */
export function ColumnGlyph({ place }: { place: 'low' | 'enough' | 'high' | 'none' }) {
  const filled = { low: 0, enough: 1, high: 2, none: -1 }[place];
  return (
    <svg width="18" height="9" viewBox="0 0 18 9" aria-hidden="true">
      {[0, 1, 2].map((i) => (
        <rect
          key={i}
          x={0.5 + i * 6}
          y="0.5"
          width="5"
          height="8"
          fill={i === filled ? (i === 1 ? 'var(--moss)' : LOAM) : 'none'}
          stroke={LOAM}
          strokeWidth="1"
        />
      ))}
    </svg>
  );
}

export const TickGlyph = () => (
  <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
    <path d="M3 8.5l3.5 3.5L13.5 4" fill="none" stroke="var(--moss)" strokeWidth="2" />
  </svg>
);

export const WarnGlyph = () => (
  <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
    <path d="M8 1.5L15 14H1Z" fill="var(--sulfur)" stroke="var(--sulfur-ink)" />
    <path d="M8 6v4M8 11.5v1.5" stroke={LOAM} strokeWidth="1.6" />
  </svg>
);

export const StopGlyph = () => (
  <svg width="16" height="16" viewBox="0 0 16 16" aria-hidden="true">
    <path d="M5 1h6l4 4v6l-4 4H5l-4-4V5Z" fill="var(--clay)" />
    <path d="M5.5 5.5l5 5m0-5l-5 5" stroke="var(--sheet)" strokeWidth="1.8" />
  </svg>
);

export const StandingGlyph = ({ standing }: { standing: 'pass' | 'warn' | 'fail' }) =>
  standing === 'pass' ? <TickGlyph /> : standing === 'warn' ? <WarnGlyph /> : <StopGlyph />;

/** State of a stage of work. */
export function StageGlyph({ state }: { state: 'empty' | 'under-way' | 'done' | 'attention' }) {
  return (
    <svg width="15" height="15" viewBox="0 0 16 16" aria-hidden="true">
      {state === 'empty' && (
        <circle cx="8" cy="8" r="6" fill="none" stroke="var(--edge)" strokeWidth="1.5" strokeDasharray="2.5 2" />
      )}
      {state === 'under-way' && (
        <>
          <circle cx="8" cy="8" r="6.5" fill="none" stroke="var(--moss)" strokeWidth="1.5" />
          <path d="M8 1.5a6.5 6.5 0 0 0 0 13Z" fill="var(--moss)" />
        </>
      )}
      {state === 'done' && (
        <>
          <circle cx="8" cy="8" r="7" fill="var(--loam-2)" />
          <path d="M4.5 8.3l2.5 2.5 4.5-5" fill="none" stroke="var(--lichen)" strokeWidth="1.8" />
        </>
      )}
      {state === 'attention' && (
        <>
          <path d="M8 1L15.5 14.5H.5Z" fill="var(--clay)" />
          <path d="M8 6v4.5M8 11.7v1.6" stroke="var(--sheet)" strokeWidth="1.7" />
        </>
      )}
    </svg>
  );
}
