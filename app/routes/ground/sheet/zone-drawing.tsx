import { Group, Line, Path } from 'react-konva';
import type { Zone } from '@core/records/case';
import type { Region } from '@core/ground/clip';
import { measuredInWords, type ZoneGround } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { hatchPicture, INK } from './ink';
import { Lettering } from './lettering';
import { middleOf, type SheetView, toPx } from '../draft/sheet-view';
import { useUnits } from '../../../ui/format';
import { regionPath } from '../../../ui/region-path';

/** Rings as one path, so that holes stay open. */
export const pathOf = (view: SheetView, region: Region): string => regionPath(region, (corner) => toPx(view, corner));

export const linePoints = (view: SheetView, corners: readonly Pair[]): number[] =>
  corners.flatMap((c) => toPx(view, c));

/** The ground of a zone that is fed, under its grass's hatch, and what is cut out of it. */
export function ZoneFill({
  view,
  grass,
  ground,
  selected,
}: {
  view: SheetView;
  grass: Zone['grass'] | undefined;
  ground: ZoneGround;
  selected: boolean;
}) {
  return (
    <Group listening={false}>
      <Path
        data={pathOf(view, ground.fed)}
        fillRule="evenodd"
        {...(grass
          ? {
              fillPriority: 'pattern',
              fillPatternImage: hatchPicture(grass, selected) as unknown as HTMLImageElement,
              fillPatternScale: { x: 0.5, y: 0.5 },
              fillPatternRepeat: 'repeat',
            }
          : { fill: selected ? INK.wash : INK.sheet })}
      />
      {ground.cutOuts.map((cutOut) => (
        <Group key={cutOut.id}>
          <Line
            points={linePoints(view, cutOut.corners)}
            closed
            fill={INK.sheet}
            stroke={INK.loam2}
            strokeWidth={1.1}
          />
          {cutOut.corners.length > 2 && (
            <Lettering at={toPx(view, middleOf(cutOut.corners))} text={cutOut.name} size={11.5} fill={INK.loam2} />
          )}
        </Group>
      ))}
    </Group>
  );
}

/** A zone's name with its area and how sure that is. */
export function ZoneName({
  view,
  zone,
  ground,
}: {
  view: SheetView;
  zone: Pick<Zone, 'name' | 'measuredBy' | 'ring' | 'offsets'>;
  ground: ZoneGround;
}) {
  const units = useUnits();
  const [x, y] = toPx(view, middleOf(ground.corners));
  const error = ground.error ? ` ± ${units.show('area', ground.error.value)}` : '';
  return (
    <Group listening={false}>
      <Lettering at={[x, y - 9]} text={zone.name || 'New zone'} serif bold size={16.5} />
      <Lettering
        at={[x, y + 10]}
        text={`${units.say('area', ground.areaSqFt)}${error}, ${measuredInWords(zone)}`}
        size={12.5}
      />
    </Group>
  );
}

/** A zone that is not being worked on: outline, hatch, name; a click brings it into focus. */
export function IdleZone({
  view,
  zone,
  ground,
  pointed,
  onPoint,
  onChoose,
}: {
  view: SheetView;
  zone: Zone;
  ground: ZoneGround;
  pointed: boolean;
  onPoint: (pointed: boolean) => void;
  onChoose?: () => void;
}) {
  return (
    <Group>
      <ZoneFill view={view} grass={zone.grass} ground={ground} selected={false} />
      <Line
        points={linePoints(view, ground.corners)}
        closed
        stroke={INK.loam}
        strokeWidth={pointed ? 2.4 : 1.5}
        lineJoin="round"
        fill="rgba(0,0,0,0)"
        listening={onChoose !== undefined}
        onClick={onChoose}
        onTap={onChoose}
        onMouseEnter={() => onPoint(true)}
        onMouseLeave={() => onPoint(false)}
      />
    </Group>
  );
}
