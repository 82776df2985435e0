import { useEffect, useState } from 'react';
import { Group, Image, Line, Path } from 'react-konva';
import type { Site } from '@core/records/case';
import type { ClaimedTwice } from '@core/ground/claimed-twice';
import { grown } from '@core/ground/clip';
import type { Pair } from '@core/reckoning/inputs';
import { dotsPicture, INK } from './ink';
import { Lettering } from './lettering';
import { middleOf, pxPerFt, type SheetView, toPx } from '../draft/sheet-view';
import { linePoints, pathOf } from './zone-drawing';
import { useUnits } from '../../../ui/format';

/** Water with the strip kept clear beside it, under the zones. */
export function Water({ view, site }: { view: SheetView; site: Site | undefined }) {
  return (
    <Group listening={false}>
      {(site?.water ?? []).map((water) => {
        const bank = water.cornersFt as Pair[];
        return (
          <Group key={water.id}>
            {water.keptClearFt > 0 && (
              <Path
                data={pathOf(view, grown(bank, water.keptClearFt))}
                fill={INK.slateWash}
                opacity={0.7}
                stroke={INK.slate}
                strokeWidth={1}
                dash={[6, 4]}
              />
            )}
            <Line points={linePoints(view, bank)} closed fill="#C9D6E2" stroke={INK.slate} strokeWidth={1.6} />
            <Lettering
              at={toPx(view, middleOf(bank))}
              text={water.name || 'water'}
              serif
              italic
              fill={INK.slate}
              halo="#C9D6E2"
            />
          </Group>
        );
      })}
    </Group>
  );
}

/** The strip's edge and its width once more above the zones, so that the hatch does not hide them. */
export function StripEdges({ view, site }: { view: SheetView; site: Site | undefined }) {
  const units = useUnits();
  return (
    <Group listening={false}>
      {(site?.water ?? [])
        .filter((w) => w.keptClearFt > 0)
        .map((water) => {
          const strip = grown(water.cornersFt as Pair[], water.keptClearFt);
          // in the middle of the strip beside the second corner of the bank, clear of most lawns
          const [east, south] = (water.cornersFt[1] ?? water.cornersFt[0]) as Pair;
          const at = toPx(view, [east, south - water.keptClearFt / 2]);
          return (
            <Group key={water.id}>
              <Path data={pathOf(view, strip)} stroke={INK.slate} strokeWidth={1} dash={[6, 4]} />
              <Lettering
                at={at}
                text={`kept clear, ${units.plain(units.inShown('length', water.keptClearFt), 2)} ${units.unit('length')}`}
                size={11.5}
                fill={INK.slate}
                halo={INK.slateWash}
              />
            </Group>
          );
        })}
    </Group>
  );
}

/** Buildings and drives: for finding one's way. */
export function Context({ view, site }: { view: SheetView; site: Site | undefined }) {
  return (
    <Group listening={false}>
      {(site?.context ?? []).map((each) => (
        <Group key={each.id}>
          <Line
            points={linePoints(view, each.cornersFt as Pair[])}
            closed
            fill={INK.lichen}
            stroke={INK.loam}
            strokeWidth={2.6}
          />
          <Lettering
            at={toPx(view, middleOf(each.cornersFt as Pair[]))}
            text={each.name || 'building'}
            serif
            italic
            halo={INK.lichen}
          />
        </Group>
      ))}
    </Group>
  );
}

/** Ground that two zones claim: yellow with dots and a brown edge, and the words. */
export function Claimed({ view, claims }: { view: SheetView; claims: readonly ClaimedTwice[] }) {
  const units = useUnits();
  return (
    <Group listening={false}>
      {claims.map((claim) => {
        const all = claim.region.flat();
        const east = Math.max(...all.map((c) => c[0]));
        const [x, y] = toPx(view, [east, middleOf(all)[1]]);
        return (
          <Group key={`${claim.a.id}/${claim.b.id}`}>
            <Path
              data={pathOf(view, claim.region)}
              fillRule="evenodd"
              fillPriority="pattern"
              fillPatternImage={dotsPicture() as unknown as HTMLImageElement}
              fillPatternScale={{ x: 0.5, y: 0.5 }}
              stroke={INK.sulfur}
              strokeWidth={1.6}
            />
            <Line points={[x, y, x + 22, y + 14]} stroke={INK.sulfur} strokeWidth={1} />
            <Lettering
              at={[x + 92, y + 16]}
              text={`${units.say('area', claim.sqFt)} claimed twice`}
              bold
              size={12.5}
              fill={INK.sulfur}
            />
          </Group>
        );
      })}
    </Group>
  );
}

/** The plan picture behind everything, pale enough to draw on. */
export function Picture({ view, picture }: { view: SheetView; picture: NonNullable<Site['picture']> | undefined }) {
  const [image, setImage] = useState<HTMLImageElement>();
  const source = picture?.dataUrl;
  useEffect(() => {
    if (!source) return;
    const loading = new window.Image();
    loading.onload = () => setImage(loading);
    loading.src = source;
    return () => {
      loading.onload = null;
    };
  }, [source]);
  if (!picture || !image || image.src !== source) return null;
  const [x, y] = toPx(view, picture.atFt as Pair);
  const scale = picture.ftPerPx * pxPerFt(view);
  return (
    <Image
      image={image}
      x={x}
      y={y}
      width={picture.widthPx * scale}
      height={picture.heightPx * scale}
      opacity={0.45}
      listening={false}
    />
  );
}
