import type { Walk } from '@core/field/walk';
import type { Region } from '@core/ground/clip';
import type { Pair } from '@core/reckoning/inputs';
import { useUnits } from '../../ui/format';
import { fixed } from '@core/words/numbers';
import { regionPath } from '../../ui/region-path';

/** The drawing in a box of so many px; a zone fills it. */
const ROOM: Pair = [520, 360];
const EDGE = 26;

/** How the zone is walked this time: laps dashed, runs with their arrow, stops numbered, what is done in solid loam. */
export function WalkPicture({
  walk,
  round,
  done,
  cutOuts,
  water,
  label,
}: {
  walk: Walk;
  round: number;
  /** Stretches of this round that are done: laps, then runs. */
  done: number;
  cutOuts: readonly { name: string; corners: readonly Pair[] }[];
  water: Region;
  /** What it shows, in words. */
  label: string;
}) {
  const here = walk.rounds[round];
  if (!here) return null;
  const { stripes, loads } = here;
  const corners = walk.region.flat();
  const [west, north] = [Math.min(...corners.map((c) => c[0])), Math.min(...corners.map((c) => c[1]))];
  const wide = Math.max(...corners.map((c) => c[0])) - west;
  const tall = Math.max(...corners.map((c) => c[1])) - north;
  const scale = Math.min((ROOM[0] - 2 * EDGE) / wide, (ROOM[1] - 2 * EDGE) / tall);
  const at = ([x, y]: Pair): Pair => [EDGE + (x - west) * scale, EDGE + (y - north) * scale];
  const path = (region: Region) => regionPath(region, at);
  const [width, height] = [wide * scale + 2 * EDGE, tall * scale + 2 * EDGE];
  const laps = stripes.laps.length;
  const stops = new Map((loads?.stopAfterRun ?? []).map((after, i) => [after, i + 1]));
  const first = stripes.runs[0]?.from ?? stripes.laps[0]?.[0];
  return (
    <svg width={width} height={height} viewBox={`0 0 ${width} ${height}`} role="img" aria-label={label}>
      <defs>
        <marker id="run-end" viewBox="0 0 8 8" refX="6" refY="4" markerWidth="7" markerHeight="7" orient="auto">
          <path d="M1 1L7 4L1 7Z" fill="var(--moss)" />
        </marker>
      </defs>
      {water.length > 0 && (
        <path d={path(water)} fill="var(--slate-wash)" stroke="var(--slate)" strokeDasharray="5 3" strokeWidth="0.8" />
      )}
      <path d={path(walk.region)} fill="var(--growth)" fillRule="evenodd" stroke="var(--loam)" strokeWidth="1.5" />
      {cutOuts.map((cutOut, i) => {
        const drawn = cutOut.corners.map(at);
        const [x, y] = [0, 1].map((axis) => drawn.reduce((sum, c) => sum + (c[axis] as number), 0) / drawn.length);
        return drawn.length < 3 ? null : (
          <g key={i}>
            <path d={path([cutOut.corners])} fill="var(--sheet)" stroke="var(--loam-2)" />
            <text x={x} y={(y as number) + 4} textAnchor="middle" className="axis">
              {cutOut.name}
            </text>
          </g>
        );
      })}
      {stripes.laps.map((ring, i) => (
        <path
          key={`lap${i}`}
          d={path([ring])}
          fill="none"
          stroke={i < done ? 'var(--loam)' : 'var(--moss)'}
          strokeWidth={i < done ? 3.4 : 1.5}
          strokeDasharray={i < done ? undefined : '6 4'}
        />
      ))}
      {stripes.runs.map((run, i) => {
        const [[ax, ay], [bx, by]] = [at(run.from), at(run.to)];
        const isDone = laps + i < done;
        return (
          <path
            key={`run${i}`}
            d={`M${fixed(ax, 1)} ${fixed(ay, 1)}L${fixed(bx, 1)} ${fixed(by, 1)}`}
            stroke={isDone ? 'var(--loam)' : 'var(--moss)'}
            strokeWidth={isDone ? 3.4 : 1.6}
            markerEnd={isDone ? undefined : 'url(#run-end)'}
          />
        );
      })}
      {first && <circle cx={at(first)[0]} cy={at(first)[1]} r="4.5" fill="var(--moss)" />}
      {[...stops].map(([after, number]) => {
        const run = stripes.runs[after - laps - 1];
        const place = run ? at(run.to) : at((stripes.laps[after - 1] ?? [[west, north]])[0] as Pair);
        const isDone = after <= done;
        return (
          <g key={`stop${number}`}>
            <rect
              x={place[0] - 9}
              y={place[1] - 9}
              width="18"
              height="18"
              fill={isDone ? 'var(--loam)' : 'var(--sheet)'}
              stroke="var(--moss)"
              strokeWidth="2"
            />
            <text
              x={place[0]}
              y={place[1] + 4.5}
              textAnchor="middle"
              style={{ font: '600 12.5px var(--sans)', fill: isDone ? 'var(--sheet)' : 'var(--loam)' }}
            >
              {number}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

/** The picture on the page, with its words and what it stands for where the zone is not drawn. */
export function WalkDrawing({ name, ...of }: Omit<Parameters<typeof WalkPicture>[0], 'label'> & { name: string }) {
  const units = useUnits();
  const here = of.walk.rounds[of.round];
  if (!here) return null;
  const { laps, runs, bearingDeg } = here.stripes;
  return (
    <figure className="walkdrawing">
      <WalkPicture
        {...of}
        label={`${name}: ${laps.length} laps, ${runs.length} runs at ${units.plain(bearingDeg, 0)} degrees, ${of.done} of ${laps.length + runs.length} done`}
      />
      {of.walk.asSquare && (
        <figcaption className="small">
          As if square: the zone has only a typed area. Draw it in Ground, and its passes are drawn on it.
        </figcaption>
      )}
    </figure>
  );
}
