import { useMemo, useReducer, useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import type { CutOut, TextureClass, Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { classByHand, type HandTest } from '@core/ground/hand-test';
import { cornersOf, isPlaced, type Measured } from '@core/ground/shape';
import { groundOf } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { useWidth } from '../../ui/use-width';
import { usePropertyWork } from '../../work/use-property-work';
import { sendBy } from '../../work/send';
import { useDraft } from '../../work/use-draft';
import { useFollowed } from '../../work/use-followed';
import type { GroundKind } from '@core/files/ground-files';
import { draw, newDraft, outlineFault } from './draft/draft-state';
import {
  draftedGround,
  freeSpot,
  measureOfTool,
  type PlacedZone,
  pointsOf,
  previewOf,
  spokenOf,
  typedFrom,
} from './draft/drafted-ground';
import { pointWith, type Target, type Tool } from './draft/pointing';
import { SCALES_FT, type SheetView, viewOf, zoomed } from './draft/sheet-view';
import { drawnOnSite } from './draft/drawn-on-site';
import type { SnapSwitches } from './draft/snap';
import { groundFromZone, type TypedGround } from './draft/typed-ground';
import { factsFromZone, type TypedFacts, type TypedZone } from './draft/zone-from-typed';
import type { Answer, Sent } from './ground-action';
import { useSheetKeys } from './use-sheet-keys';
import { useUnits } from '../../ui/format';
import { dosesAhead } from '@core/season/plan/doses-given';

/** Keys of the ground that are not always there. */
const GROUND_ONLY = ['ring', 'shown', 'typed'];
/** Width of the sheet before it was measured. */
const FIRST_WIDTH = 792;

export interface ZoneSheetProps {
  zone: Zone | undefined;
  fetcher: FetcherWithComponents<Answer>;
  onChoose: (id: string) => void;
  onAdd: () => void;
  onSend: (sent: Sent) => void;
  onRemove?: () => void;
}

export type ZoneSheetState = ReturnType<typeof useZoneSheet>;

/** The zone in focus as it is drawn and typed: one draft until it is saved, the tool in hand, and what a gesture does. */
export function useZoneSheet({ zone, fetcher, onSend }: ZoneSheetProps) {
  const units = useUnits();
  const scales = SCALES_FT[units.setting.system];
  const { file, zoneSeason, today } = usePropertyWork();
  const site = file.property.site;
  const [box, width] = useWidth<HTMLDivElement>(FIRST_WIDTH);
  const others = useMemo(
    () =>
      file.zones
        .filter((z) => z.id !== zone?.id && isPlaced(z))
        .flatMap((z): PlacedZone[] => {
          const ground = groundOf(z, site);
          return isRefusal(ground) ? [] : [{ zone: z, ground }];
        }),
    [file.zones, zone?.id, site],
  );
  const [facts, setFacts] = useState<TypedFacts>(() => factsFromZone(zone, units));
  const [draft, onDraw] = useReducer(draw, undefined, () => {
    const ground = groundFromZone(zone, units);
    return newDraft({ ...ground, at: ground.at ?? freeSpot(others, site) });
  });
  const { now } = draft;
  const form = `${file.property.id}/zone/${zone?.id ?? 'new'}`;
  const answered = fetcher.state === 'idle' ? fetcher.data : undefined;
  const text = (typed: Partial<TypedZone>) => JSON.stringify({ ...typed, changedAt: undefined });
  const { dirty, overtaken } = useFollowed({
    record: zone,
    typed: text({ ...facts, ...now }),
    shown: (record) => text({ ...factsFromZone(record, units), ...groundFromZone(record, units) }),
    own: zone && (answered?.undo?.over?.[`zones/${zone.id}`] ?? undefined),
    load: (record) => {
      setFacts(factsFromZone(record, units));
      const ground = groundFromZone(record, units);
      onDraw({ do: 'load', ground: { ...ground, at: ground.at ?? now.at } });
    },
    adopt: ({ changedAt }) => setFacts((before) => ({ ...before, changedAt })),
  });
  const { offered } = useDraft<TypedZone>({
    place: form,
    typed: { ...facts, ...now },
    dirty,
    savedBy: answered?.kept ? answered : undefined,
    load: (typed) => {
      const ground = Object.fromEntries(
        Object.entries(typed).filter(([key]) => key in now || GROUND_ONLY.includes(key)),
      );
      setFacts(Object.fromEntries(Object.entries(typed).filter(([key]) => !(key in ground))) as unknown as TypedFacts);
      onDraw({ do: 'change', part: ground as Partial<TypedGround> });
    },
  });
  const [tool, setTool] = useState<Tool>('select');
  const [target, setTarget] = useState<Target>('zone');
  const [pending, setPending] = useState<readonly Pair[]>([]);
  const [inside, setInside] = useState<{ corner?: number; side?: number }>();
  const [typedSide, setTypedSide] = useState<number>();
  const [switches, setSwitches] = useState<SnapSwitches>({
    corners: true,
    rightAngles: true,
    wholeFeet: true,
    stepFt: units.drawingStep().ft,
  });
  const [asking, setAsking] = useState<'hand' | 'picture' | GroundKind>();

  const drafted = draftedGround(zone, facts, now, others, site, units);
  const { corners, ground } = drafted;
  const [view, setView] = useState<SheetView>(() => viewOf(pointsOf(others, corners, site), FIRST_WIDTH, scales));
  const wholeSheet = () => setView(viewOf(pointsOf(others, corners, site), width, scales));
  const change = (part: Partial<TypedFacts>) => setFacts((before) => ({ ...before, ...part }));

  const putDown = (next: Tool) => {
    setTool(next);
    setPending([]);
    setInside(undefined);
  };
  const pick = (next: Tool) => {
    putDown(next);
    const measure = measureOfTool(next);
    if (measure && target !== 'cut-out' && now.measure !== measure) onDraw({ do: 'change', part: { measure } });
    if (next === 'select' || target === 'water' || target === 'building') setTarget('zone');
  };
  const aim = (next: Target) => {
    const off = target === next;
    setTarget(off ? 'zone' : next);
    putDown(off ? 'select' : 'outline');
  };
  const onShape = (shape: Measured) => {
    if (target === 'zone') onDraw({ do: 'change', part: typedFrom(shape, units) });
    else if (target === 'cut-out') {
      const ids = now.cutOuts.map((c) => c.id);
      const cutOut: CutOut = { id: newId('cut-out', ids), kind: 'bed', ...(shape as Partial<CutOut>) };
      onDraw({ do: 'cut-out', cutOut });
    } else {
      const drawn = drawnOnSite(site, target, cornersOf(shape) as [number, number][], file.codes);
      onSend({ intent: 'site', ...drawn });
    }
    setTool('select');
    setTarget('zone');
  };
  const setPoint = (at: Pair) => {
    if (target === 'zone' && tool === 'outline') return onDraw({ do: 'add', at });
    if (target === 'zone' && (tool === 'triangle' || tool === 'offsets')) return onDraw({ do: 'change', part: { at } });
    const set = pointWith(tool, pending, at);
    setPending(set.pending);
    if (set.shape) onShape(set.shape);
  };

  const outlining = target === 'zone' && tool === 'outline';
  useSheetKeys({
    pick,
    aim,
    ask: setAsking,
    draw: onDraw,
    zoom: (by) => setView((v) => zoomed(v, by, width, undefined, scales)),
    wholeSheet,
    flipSnaps: () =>
      setSwitches((all) => ({
        ...all,
        corners: !all.corners,
        rightAngles: !all.rightAngles,
        wholeFeet: !all.wholeFeet,
      })),
    canClose: outlining && !now.closed && now.corners.length > 0,
  });

  const season = zoneSeason?.zone.id === zone?.id ? zoneSeason : undefined;
  const ahead = dosesAhead(season?.doses ?? [], file);
  const next = ahead.find((d) => d.date >= today) ?? ahead[0];
  return {
    offered,
    overtaken,
    zone,
    file,
    site,
    others,
    facts,
    change,
    draft,
    now,
    onDraw,
    drafted,
    faults: fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {},
    drawnFault: (now.measure === 'outline' ? outlineFault(now) : undefined) ?? drafted.fault,
    saving: fetcher.state !== 'idle',
    save: () => void sendBy(fetcher, { intent: 'keep', typed: { ...facts, ...now } }),
    box,
    width,
    view,
    setView,
    scales,
    zoom: (by: -1 | 1) => setView(zoomed(view, by, width, undefined, scales)),
    wholeSheet,
    tool,
    target,
    outlining,
    pick,
    aim,
    switches,
    setSwitches,
    asking,
    setAsking,
    pending,
    setPending,
    inside,
    setInside,
    typedSide,
    setTypedSide,
    onShape,
    setPoint,
    /** The next dose of the zone, whose weigh-out the area decides. */
    next,
    preview: (drawn: readonly Pair[]) => previewOf(drafted.candidate, drawn, others, site, next?.rateLb),
    spoken: spokenOf(tool, draft.cross, now, inside, corners, ground, units),
    answerByHand: (test: HandTest, texture: TextureClass) => {
      const measuredByLab = facts.sand !== '' || facts.silt !== '' || facts.clay !== '';
      change({
        handTest: { ...test, on: today },
        ...(measuredByLab ? {} : { texture: classByHand(test) ?? texture }),
      });
      setAsking(undefined);
    },
    takeOutline: (outline: { name: string; holes: unknown[]; ring?: Zone['ring'] }, drawn: Pair[]) => {
      const cutOuts = outline.holes.length > 0 ? [] : now.cutOuts;
      onDraw({
        do: 'change',
        part: { measure: 'outline', corners: drawn, closed: true, ring: outline.ring, cutOuts },
      });
      change({ measuredBy: asking === 'track' ? 'walk' : 'plan', name: facts.name || outline.name });
      setView(viewOf([...pointsOf(others, [], site), ...drawn], width, scales));
    },
  };
}
