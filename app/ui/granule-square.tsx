const SIDE = 40;
/** More dots than this run together. */
const MOST_DOTS = 160;
/** Steps of the even two-dimensional sequence of the plastic number. */
const STEP = [0.7548776662466927, 0.5698402909980532] as const;

/** Two inches of lawn with the true number of granules on it, spread evenly by a fixed sequence. */
export function GranuleSquare({ perSqIn }: { perSqIn: number }) {
  const dots = Math.min(MOST_DOTS, Math.round(4 * perSqIn));
  return (
    <svg width={SIDE} height={SIDE} viewBox={`0 0 ${SIDE} ${SIDE}`} aria-hidden="true">
      <rect x="0.5" y="0.5" width={SIDE - 1} height={SIDE - 1} fill="var(--sheet)" stroke="var(--rule-2)" />
      {Array.from({ length: dots }, (_, i) => (
        <circle
          key={i}
          cx={3 + ((0.5 + (i + 1) * STEP[0]) % 1) * (SIDE - 6)}
          cy={3 + ((0.5 + (i + 1) * STEP[1]) % 1) * (SIDE - 6)}
          r="1.1"
          fill="var(--loam)"
        />
      ))}
    </svg>
  );
}
