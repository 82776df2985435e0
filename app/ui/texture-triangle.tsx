import { TEXTURE_CLASSES, type TextureClass } from '@core/records/vocabularies';
import { middleOfClass, TRIANGLE } from '@core/ground/texture-triangle';
import { fixed } from '@core/words/numbers';

const HEIGHT_OF_SIDE = Math.sqrt(3) / 2;

interface TriangleProps {
  /** Length of a side, px. */
  side: number;
  /** Classes this answer leaves, washed. */
  chosen?: readonly TextureClass[];
  /** Classes ruled out, on paper. */
  out?: readonly TextureClass[];
  /** A laboratory's point, percent. */
  point?: { sand: number; clay: number };
  /** A hand test's class: a ring at its middle. */
  ring?: TextureClass;
  names?: boolean;
  label: string;
}

/** Words in the large triangle; thin classes are named in two lines. */
const SHORT: Partial<Record<TextureClass, string[]>> = {
  'loamy-sand': ['loamy', 'sand'],
  'sandy-clay-loam': ['sandy', 'clay loam'],
  'silty-clay-loam': ['silty', 'clay loam'],
  'sandy-clay': ['sandy', 'clay'],
  'silty-clay': ['silty', 'clay'],
};

/** The USDA triangle: clay at the top, sand at the lower left, silt at the lower right. */
export function TextureTriangle({ side, chosen = [], out = [], point, ring, names = false, label }: TriangleProps) {
  const margin = names ? 34 : 12;
  const at = ([sand, clay]: readonly [number, number]): [number, number] => [
    margin + side * (1 - sand / 100 - clay / 200),
    margin * 0.6 + side * HEIGHT_OF_SIDE * (1 - clay / 100),
  ];
  const points = (texture: TextureClass) =>
    TRIANGLE[texture]
      .map((c) =>
        at(c)
          .map((n) => fixed(n, 1))
          .join(','),
      )
      .join(' ');
  const [px, py] = point ? at([point.sand, point.clay]) : [0, 0];
  const [rx, ry] = ring ? at(middleOfClass(ring)) : [0, 0];
  const width = side + 2 * margin;
  const height = side * HEIGHT_OF_SIDE + margin * 0.6 + 26;
  return (
    <svg
      className="triangle"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={label}
    >
      {TEXTURE_CLASSES.map((texture) => (
        <polygon
          key={texture}
          points={points(texture)}
          fill={chosen.includes(texture) ? 'var(--moss-wash)' : out.includes(texture) ? 'var(--paper)' : 'var(--sheet)'}
          stroke={out.includes(texture) ? 'var(--rule-2)' : 'var(--loam-3)'}
          strokeWidth={0.8}
        />
      ))}
      {chosen.map((texture) => (
        <polygon
          key={texture}
          points={points(texture)}
          fill="none"
          stroke="var(--moss)"
          strokeWidth={1.8}
          strokeLinejoin="round"
        />
      ))}
      <polygon
        points={[at([0, 100]), at([100, 0]), at([0, 0])].map((c) => c.join(',')).join(' ')}
        fill="none"
        stroke="var(--loam)"
        strokeWidth={1.4}
      />
      {names &&
        TEXTURE_CLASSES.filter((t) => t !== 'sand').map((texture) => {
          const [x, y] = at(middleOfClass(texture));
          const words = SHORT[texture] ?? [texture.replace('-', ' ')];
          const struck = out.includes(texture);
          return words.map((word, i) => (
            <text
              key={word}
              x={x}
              y={y + 4 + (i - (words.length - 1) / 2) * 12}
              className={struck ? 'is-out' : chosen.includes(texture) ? 'is-chosen' : undefined}
              textAnchor="middle"
            >
              {word}
            </text>
          ));
        })}
      {names && (
        <>
          <text
            x={at([92, 4])[0] - 2}
            y={at([92, 0])[1] + 15}
            textAnchor="middle"
            className={out.includes('sand') ? 'is-out' : chosen.includes('sand') ? 'is-chosen' : undefined}
          >
            sand
          </text>
          <text x={at([0, 100])[0]} y={12} textAnchor="middle" className="axis">
            clay
          </text>
          <text x={at([0, 0])[0]} y={at([0, 0])[1] + 15} textAnchor="end" className="axis">
            silt
          </text>
        </>
      )}
      {!names && (
        <>
          <text x={at([0, 100])[0] + 5} y={12} className="axis">
            clay
          </text>
          <text x={2} y={height - 6} className="axis">
            sand
          </text>
          <text x={width - 2} y={height - 6} textAnchor="end" className="axis">
            silt
          </text>
        </>
      )}
      {point && (
        <>
          <path
            d={`M${px} ${py}L${at([point.sand + (100 - point.sand - point.clay), point.clay]).join(' ')}M${px} ${py}L${at([point.sand, 0]).join(' ')}M${px} ${py}L${at([0, point.clay + point.sand]).join(' ')}`}
            stroke="var(--loam)"
            strokeWidth={0.9}
            strokeDasharray="3 2"
            fill="none"
          />
          <circle cx={px} cy={py} r={3.6} fill="var(--loam)" />
        </>
      )}
      {!point && ring && <circle cx={rx} cy={ry} r={4.2} fill="none" stroke="var(--loam)" strokeWidth={1.6} />}
    </svg>
  );
}
