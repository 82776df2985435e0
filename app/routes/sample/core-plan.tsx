import type { ZoneGround } from '@core/ground/zone-ground';
import type { Region } from '@core/ground/clip';
import type { Pair } from '@core/reckoning/inputs';
import { regionPath } from '../../ui/region-path';

const NUMBER_PX = 11.5;

/** The box of a zone's outline, ft. */
export const sizeOf = (ground: ZoneGround): Pair => {
  const xs = ground.corners.map((c) => c[0]);
  const ys = ground.corners.map((c) => c[1]);
  return [Math.max(...xs) - Math.min(...xs), Math.max(...ys) - Math.min(...ys)];
};

interface CorePlanProps {
  name: string;
  ground: ZoneGround;
  cores: readonly Pair[];
  pxPerFt: number;
  taken: boolean;
}

/** Where to core: the zone at the scale of its neighbours, the zigzag, the cores in the order they are walked. */
export function CorePlan({ name, ground, cores, pxPerFt, taken }: CorePlanProps) {
  const margin = 16;
  const west = Math.min(...ground.corners.map((c) => c[0]));
  const north = Math.min(...ground.corners.map((c) => c[1]));
  const [wide, tall] = sizeOf(ground);
  const at = ([x, y]: Pair): Pair => [margin + (x - west) * pxPerFt, margin + (y - north) * pxPerFt];
  const path = (region: Region) => regionPath(region, at);
  const dots = cores.map(at);
  const [across, down] = [margin + wide * pxPerFt * 0.5, margin + tall * pxPerFt * 0.5];
  // outside the zigzag: above and below a lawn that lies, left and right of one that stands
  const numberAt = (x: number, y: number) =>
    tall > wide
      ? {
          x: x > across ? x + 8 : x - 8,
          y: y + NUMBER_PX / 3,
          textAnchor: x > across ? ('start' as const) : ('end' as const),
        }
      : { x, y: y > down ? y + NUMBER_PX + 5 : y - 7, textAnchor: 'middle' as const };
  return (
    <svg
      className="coreplan"
      width={wide * pxPerFt + 2 * margin}
      height={tall * pxPerFt + 2 * margin}
      viewBox={`0 0 ${wide * pxPerFt + 2 * margin} ${tall * pxPerFt + 2 * margin}`}
      role="img"
      aria-label={`${name}: ${cores.length} cores in a zigzag, ${taken ? 'taken' : 'planned'}`}
    >
      <path d={path([ground.corners])} fill="var(--sheet)" stroke="none" />
      <path
        d={path(ground.keptClear.region)}
        fill="var(--slate-wash)"
        stroke="var(--slate)"
        strokeDasharray="5 3"
        strokeWidth={0.8}
      />
      {ground.cutOuts.map((cutOut) => (
        <path key={cutOut.id} d={path(cutOut.region)} fill="var(--lichen)" stroke="var(--edge)" strokeWidth={0.9} />
      ))}
      <path d={path([ground.corners])} fill="none" stroke="var(--loam)" strokeWidth={1.5} />
      <polyline
        points={dots.map((d) => d.join(',')).join(' ')}
        fill="none"
        stroke="var(--moss)"
        strokeWidth={1.2}
        strokeDasharray="1.5 3"
      />
      {dots.map(([x, y], i) => (
        <g key={i}>
          {i === 0 && <circle cx={x} cy={y} r={7} fill="none" stroke="var(--moss)" strokeWidth={1.8} />}
          <circle
            cx={x}
            cy={y}
            r={3.5}
            fill={taken ? 'var(--loam)' : 'var(--sheet)'}
            stroke="var(--loam)"
            strokeWidth={1.3}
          />
          <text {...numberAt(x, y)}>{i + 1}</text>
        </g>
      ))}
    </svg>
  );
}
