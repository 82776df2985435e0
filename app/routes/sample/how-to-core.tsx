import { useUnits } from '../../ui/format';

interface HowToProps {
  counts: string;
  depthIn: number;
  dryingDays: number;
}

/** One drawn core at 36 px to the inch beside the six steps. */
export function HowToCore({ counts, depthIn, dryingDays }: HowToProps) {
  const units = useUnits();
  const top = 62;
  const y = (inch: number) => top + inch * 36;
  return (
    <div className="howto">
      <svg
        width="104"
        height="300"
        viewBox="0 0 104 300"
        role="img"
        aria-label={`A core: thatch off, keep ${units.said(`0 to ${depthIn} in`)}, cut there, leave the rest`}
      >
        {[30, 36, 42, 48].map((x, i) => (
          <path
            key={x}
            d={`M${x} 40Q${x - 3 + i * 2} 22 ${x - 6 + i * 4} 12`}
            fill="none"
            stroke="var(--growth-line)"
            strokeWidth="1.4"
          />
        ))}
        <rect x="26" y="40" width="28" height="22" fill="var(--sheet)" stroke="var(--loam)" strokeWidth="1.1" />
        <path d="M28 46q5-4 9 0t9 0 7 0M28 53q5-4 9 0t9 0 7 0" fill="none" stroke="var(--loam-3)" />
        <rect
          x="26"
          y={top}
          width="28"
          height={depthIn * 36}
          fill="var(--soil)"
          stroke="var(--loam)"
          strokeWidth="1.4"
        />
        <path
          d={`M32 ${top}q2 60-2 92M40 ${top}q-3 50 2 110M47 ${top}q3 40-1 84`}
          fill="none"
          stroke="var(--sheet)"
          strokeWidth="1.2"
        />
        <rect
          x="26"
          y={y(depthIn)}
          width="28"
          height={Math.max(10, 6 * 36 - depthIn * 36)}
          fill="none"
          stroke="var(--loam-3)"
          strokeDasharray="4 3"
        />
        {units.ticks('depth', 0, 6, 6).map(({ us: inch, says }) => (
          <g key={inch}>
            <path d={`M14 ${y(inch)}h6`} stroke="var(--loam-3)" />
            <text x="10" y={y(inch) + 4} textAnchor="end">
              {says}
            </text>
          </g>
        ))}
        <path d={`M16 ${y(depthIn)}H66`} stroke="var(--moss)" strokeWidth="2.2" />
        <text x="60" y="54">
          off
        </text>
        <text x="60" y={y(depthIn / 2)}>
          keep
        </text>
        <text x="60" y={y(depthIn) - 5} className="cut">
          cut
        </text>
        <text x="60" y={y(depthIn) + 32}>
          leave
        </text>
      </svg>
      <ol>
        <li>
          Follow the dots, one zone at a time: <b>{counts}</b> cores. Keep sick patches apart, in a bag of their own.
        </li>
        <li>Pull the thatch off each core.</li>
        <li>
          Cut every core at <b>{units.said(`${depthIn} in`)}</b>, this year and next.
        </li>
        <li>
          Into a clean <b>plastic</b> bucket. A galvanised one adds zinc.
        </li>
        <li>
          Crumble, mix and dry in air for <b>{dryingDays} days</b>. No oven.
        </li>
        <li>
          Put <b>{units.setting.system === 'us' ? 'a pint' : 'half a liter'}</b> in the labelled bag.
        </li>
      </ol>
    </div>
  );
}
