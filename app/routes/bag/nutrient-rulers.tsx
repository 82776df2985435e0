import type { BagLine } from '@core/products/bag/bag-check';
import { Fig } from '../../ui/fig';
import { useUnits } from '../../ui/format';
import { Mark } from '../../ui/marks';
import { Said, Substances } from '../../ui/substance';

const NAMES = { N: 'Nitrogen', P2O5: 'Phosphorus', K2O: 'Potassium' } as const;
const WIDTH = 560;
const PAD = 10;

function Ruler({ y, most, hatched }: { y: number; most: number; hatched?: boolean }) {
  const px = (lb: number) => PAD + (lb / most) * (WIDTH - 2 * PAD);
  const marks = useUnits().ticks('nutrient-rate', 0, most, 7);
  return (
    <g>
      <rect
        x="0.5"
        y={y}
        width={WIDTH - 1}
        height="25"
        fill={hatched ? 'url(#none-allowed)' : 'var(--sheet)'}
        stroke="var(--edge)"
      />
      {marks.map(({ us: lb, says }) => (
        <text key={lb} x={px(lb)} y={y + 17} textAnchor="middle" style={{ fontSize: 12, fill: 'var(--loam-2)' }}>
          {says}
        </text>
      ))}
    </g>
  );
}

/** Label above, prescription below, on one scale; the hatch between is the difference, the ring what was asked. */
function Faced({ line, most }: { line: BagLine; most: number }) {
  const units = useUnits();
  const px = (lb: number) => PAD + (Math.min(lb, most) / most) * (WIDTH - 2 * PAD);
  const label = line.label?.value;
  const prescribed = line.prescribed?.value;
  const none = line.limitLb === 0;
  const difference = label !== undefined && prescribed !== undefined && Math.abs(label - prescribed) > 0.005;
  const unreached = line.askedLb > 0 && Math.abs((prescribed ?? 0) - line.askedLb) > 0.02;
  return (
    <svg
      width="100%"
      viewBox={`0 0 ${WIDTH} 96`}
      role="img"
      aria-label={`${line.nutrient}: label ${label === undefined ? 'unknown' : units.rate(label)}, prescribed ${prescribed === undefined ? 'none' : units.rate(prescribed)}, asked ${units.rate(line.askedLb)}`}
    >
      <defs>
        <pattern id="none-allowed" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <rect width="6" height="6" fill="var(--sheet)" />
          <path d="M0 0V6" stroke="var(--rule-2)" strokeWidth="1.5" />
        </pattern>
        <pattern id="difference" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
          <path d="M0 0V5" stroke="var(--loam-3)" strokeOpacity="0.6" />
        </pattern>
      </defs>
      <Ruler y={0.5} most={most} />
      <Ruler y={70} most={most} hatched={none} />
      {difference && (
        <rect
          x={Math.min(px(label), px(prescribed))}
          y="27"
          width={Math.abs(px(label) - px(prescribed))}
          height="42"
          fill="url(#difference)"
        />
      )}
      {Number.isFinite(line.limitLb) && line.limitLb > 0 && line.limitLb <= most && (
        <path d={`M${px(line.limitLb)} 26V70`} stroke="var(--loam)" strokeDasharray="3 3" />
      )}
      {label !== undefined && (
        <path
          d={`M${px(label)} 26V42M${px(label) - 4.5} 37L${px(label)} 44L${px(label) + 4.5} 37`}
          stroke="var(--loam)"
          strokeWidth="1.6"
          fill="none"
        />
      )}
      {prescribed !== undefined && (
        <path
          d={`M${px(prescribed)} 70V54M${px(prescribed) - 4.5} 59L${px(prescribed)} 52L${px(prescribed) + 4.5} 59`}
          stroke="var(--moss)"
          strokeWidth="1.8"
          fill="none"
        />
      )}
      {unreached && (
        <>
          <path
            d={`M${px(prescribed ?? 0)} 58H${px(line.askedLb) - 6}`}
            stroke="var(--loam-2)"
            strokeDasharray="1.5 3"
          />
          <circle cx={px(line.askedLb)} cy="58" r="4.5" fill="var(--paper)" stroke="var(--loam)" strokeWidth="1.4" />
        </>
      )}
    </svg>
  );
}

/** One nutrient of the bag: words and figures at the left, the two rulers at the right. */
export function NutrientRulers({ lines }: { lines: readonly BagLine[] }) {
  const units = useUnits();
  const most = Math.max(
    1.2,
    ...lines
      .flatMap((line) => [line.label?.value ?? 0, line.prescribed?.value ?? 0, line.askedLb])
      .map((lb) => Math.ceil(lb * 5 + 0.5) / 5),
  );
  return (
    <ul className="rulers">
      {lines.map((line) => (
        <li key={line.nutrient} aria-label={NAMES[line.nutrient]}>
          <div>
            <h2>
              {line.nutrient !== 'P2O5' && (
                <svg width="20" height="20" viewBox="0 0 20 20" aria-hidden="true">
                  <Mark purpose={line.nutrient} x={10} y={10} d={13} />
                </svg>
              )}
              {NAMES[line.nutrient]}
            </h2>
            <p className="small">
              <Substances text={units.heading('nutrient-rate', line.nutrient)} />
            </p>
            <p className="pins">
              <span>
                label{' '}
                <b>
                  {line.label ? <Fig figure={line.label} show={units.rate} /> : line.limitLb >= 0 ? units.rate(0) : '–'}
                </b>
              </span>
              <span className="ours">
                prescribed <b>{line.prescribed ? <Fig figure={line.prescribed} show={units.rate} /> : units.rate(0)}</b>
              </span>
              <span>
                asked <b>{units.rate(line.askedLb)}</b>
              </span>
            </p>
            <p className="small">
              <Said text={line.limitSays} />
            </p>
          </div>
          <Faced line={line} most={most} />
        </li>
      ))}
    </ul>
  );
}
