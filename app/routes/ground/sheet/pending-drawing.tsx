import { Circle, Line, Rect, RegularPolygon } from 'react-konva';
import { cornersOf } from '@core/ground/shape';
import type { Pair } from '@core/reckoning/inputs';
import { shapeBetween } from '../draft/pointing';
import { type SheetView, toPx } from '../draft/sheet-view';
import type { Snapped } from '../draft/snap';
import { INK } from './ink';
import { Lettering } from './lettering';
import { SideLength } from './selected-drawing';
import type { SiteSheetProps, SiteSheetState } from './use-site-sheet';
import { linePoints } from './zone-drawing';

type PendingDrawingProps = Pick<SiteSheetProps, 'view' | 'tool' | 'target' | 'pending' | 'draft'> & {
  sheet: SiteSheetState;
};

/** What is being drawn and is no shape yet: the points set, the shape or side that the next one would make, what it snaps to. */
export function PendingDrawing({ view, tool, target, pending, draft: { now }, sheet }: PendingDrawingProps) {
  const { drawing, placing, zoneOutline, pointer, set } = sheet;
  const ghost =
    drawing && !zoneOutline && !placing && tool !== 'outline' && pending[0] && pointer
      ? shapeBetween(tool, pending[0], pointer.at)
      : undefined;
  const last = set.at(-1);
  return (
    <>
      {!zoneOutline && pending.length > 0 && (
        <Line
          points={linePoints(view, pending)}
          stroke={target === 'water' ? INK.slate : INK.moss}
          strokeWidth={2}
          lineJoin="round"
          listening={false}
        />
      )}
      {!zoneOutline &&
        pending.map((p, i) => {
          const [x, y] = toPx(view, p);
          return (
            <Rect
              key={i}
              x={x - 4}
              y={y - 4}
              width={8}
              height={8}
              fill={i === 0 ? INK.moss : INK.sheet}
              stroke={INK.moss}
              strokeWidth={2}
              listening={false}
            />
          );
        })}
      {ghost && (
        <>
          <Line
            points={linePoints(view, cornersOf(ghost))}
            closed
            stroke={INK.moss}
            strokeWidth={1.4}
            dash={[6, 4]}
            listening={false}
          />
          {ghost.rectangle &&
            cornersOf(ghost).map((a, i, all) => (
              <SideLength key={i} a={a} b={all[(i + 1) % 4] as Pair} view={view} away={all[(i + 2) % 4] as Pair} />
            ))}
        </>
      )}
      {drawing && tool === 'outline' && last && pointer && !(zoneOutline && now.closed) && (
        <>
          <Line
            points={linePoints(view, [last, pointer.at])}
            stroke={INK.moss}
            strokeWidth={1.4}
            dash={[6, 4]}
            listening={false}
          />
          <SideLength a={last} b={pointer.at} view={view} away={set[0] ?? last} bold={pointer.to === 'whole feet'} />
        </>
      )}
      {pointer?.to && pointer.to !== 'whole feet' && <SnapSign view={view} snapped={pointer} />}
    </>
  );
}

/** What a point is drawn to: a square round a corner, a tick on a side, a small square for a right angle, and the word. */
function SnapSign({ view, snapped }: { view: SheetView; snapped: Snapped }) {
  const [x, y] = toPx(view, snapped.at);
  return (
    <>
      {snapped.to === 'corner' && (
        <Rect x={x - 7} y={y - 7} width={14} height={14} stroke={INK.moss} strokeWidth={2} listening={false} />
      )}
      {snapped.to === 'side' && <Circle x={x} y={y} radius={5} stroke={INK.moss} strokeWidth={2} listening={false} />}
      {snapped.to === 'right angle' && (
        <RegularPolygon
          sides={4}
          radius={7}
          rotation={45}
          x={x}
          y={y}
          stroke={INK.moss}
          strokeWidth={1.6}
          listening={false}
        />
      )}
      <Lettering at={[x + 40, y - 14]} text={snapped.to ?? ''} size={11.5} fill={INK.moss} />
    </>
  );
}
