import { Button } from 'antd';
import { lazy, Suspense, useMemo, useReducer, useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import type { CutOut, Site, Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { ClaimWarning } from './facts/claim-warning';
import { classByHand } from '@core/ground/hand-test';
import { cornersOf, isPlaced, type Measured } from '@core/ground/shape';
import { groundOf } from '@core/ground/zone-ground';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { Fault, TextField } from '../../ui/field';
import { useMounted } from '../../ui/use-mounted';
import { useWidth } from '../../ui/use-width';
import { usePropertyWork } from '../../work/property-work';
import type { BroughtIn } from './import/import-outlines';
import { ImportModal } from './import/import-modal';
import { CornerTable } from './facts/corner-table';
import { draw, newDraft, outlineFault } from './draft/draft-state';
import type { Answer, Sent } from './ground-action';
import { HandTest } from './facts/hand-test';
import { MeasureFields } from './facts/measure-fields';
import { pointWith, type Target, type Tool } from './draft/pointing';
import { ReckoningLine } from './facts/reckoning-line';
import {
  draftedGround,
  freeSpot,
  measureOfTool,
  type PlacedZone,
  pointsOf,
  previewOf,
  slipAt,
  spokenOf,
  typedFrom,
} from './draft/drafted-ground';
import { SHEET_HEIGHT, type SheetView, viewOf, zoomed } from './draft/sheet-view';
import { SideSlip } from './facts/side-slip';
import { CutOutList, SiteList } from './site-list';
import type { SnapSwitches } from './draft/snap';
import { TypedPoint } from './facts/typed-point';
import { ToolColumn } from './tool-column';
import { groundFromZone } from './draft/typed-ground';
import { factsFromZone, type TypedFacts } from './draft/zone-from-typed';
import { ZoneFacts } from './facts/zone-facts';
import { useSheetKeys } from './use-sheet-keys';
import { ZoneLedger } from './facts/zone-ledger';
import { sendBy } from '../../work/send';
import { roundedTo } from '@core/words/numbers';

const SiteSheet = lazy(() => import('./sheet/site-sheet'));

const DEFAULT_CLEAR_FT = 10;

interface ZoneSheetProps {
  zone: Zone | undefined;
  fetcher: FetcherWithComponents<Answer>;
  onChoose: (id: string) => void;
  onAdd: () => void;
  onSend: (sent: Sent) => void;
  onRemove?: () => void;
}

/** The sheet with its tools, and the facts of the zone in focus. What is drawn and typed is one draft until it is kept. */
export function ZoneSheet({ zone, fetcher, onChoose, onAdd, onSend, onRemove }: ZoneSheetProps) {
  const { file, zoneSeason, today } = usePropertyWork();
  const site = file.property.site;
  const mounted = useMounted();
  const [box, width] = useWidth<HTMLDivElement>(792);
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
  const [facts, setFacts] = useState<TypedFacts>(() => factsFromZone(zone));
  const [draft, onDraw] = useReducer(draw, undefined, () => {
    const ground = groundFromZone(zone);
    return newDraft({ ...ground, at: ground.at ?? freeSpot(others, site) });
  });
  const { now } = draft;
  const [tool, setTool] = useState<Tool>('select');
  const [target, setTarget] = useState<Target>('zone');
  const [pending, setPending] = useState<readonly Pair[]>([]);
  const [inside, setInside] = useState<{ corner?: number; side?: number }>();
  const [typedSide, setTypedSide] = useState<number>();
  const [switches, setSwitches] = useState<SnapSwitches>({ corners: true, rightAngles: true, wholeFeet: true });
  const [asking, setAsking] = useState<'hand' | 'picture' | BroughtIn>();

  const drafted = draftedGround(zone, facts, now, others, site);
  const { measured, corners, ground, claims } = drafted;
  const [view, setView] = useState<SheetView>(() => viewOf(pointsOf(others, corners, site), 792));
  const wholeSheet = () => setView(viewOf(pointsOf(others, corners, site), width));

  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const drawnFault = (now.measure === 'outline' ? outlineFault(now) : undefined) ?? drafted.fault;
  const change = (part: Partial<TypedFacts>) => setFacts((before) => ({ ...before, ...part }));
  const keep = () => void sendBy(fetcher, { intent: 'keep', typed: { ...facts, ...now } });

  const pick = (next: Tool) => {
    setTool(next);
    setPending([]);
    setInside(undefined);
    if (target === 'water' || target === 'building') setTarget('zone');
    const measure = measureOfTool(next);
    if (measure && target !== 'cut-out' && now.measure !== measure) onDraw({ do: 'change', part: { measure } });
    if (next === 'select') setTarget('zone');
  };
  const aim = (next: Target) => {
    const off = target === next;
    setTarget(off ? 'zone' : next);
    setPending([]);
    setInside(undefined);
    setTool(off ? 'select' : 'outline');
  };
  const onShape = (shape: Measured) => {
    if (target === 'zone') onDraw({ do: 'change', part: typedFrom(shape) });
    else if (target === 'cut-out') {
      const cutOut: CutOut = {
        id: newId(
          'cut-out',
          now.cutOuts.map((c) => c.id),
        ),
        kind: 'bed',
        ...(shape as Partial<CutOut>),
      };
      onDraw({ do: 'cut-out', cutOut });
    } else {
      const cornersFt = cornersOf(shape) as [number, number][];
      const next: Site =
        target === 'water'
          ? {
              ...site,
              water: [
                ...(site?.water ?? []),
                {
                  id: newId(
                    'water',
                    (site?.water ?? []).map((w) => w.id),
                  ),
                  name: 'water',
                  cornersFt,
                  keptClearFt: Math.max(DEFAULT_CLEAR_FT, ...(file.codes ?? []).map((c) => c.setbackFt ?? 0)),
                },
              ],
            }
          : {
              ...site,
              context: [
                ...(site?.context ?? []),
                {
                  id: newId(
                    'building',
                    (site?.context ?? []).map((c) => c.id),
                  ),
                  name: 'building',
                  cornersFt,
                },
              ],
            };
      onSend({
        intent: 'site',
        site: next,
        says: target === 'water' ? 'The water and its strip are on the sheet.' : 'The building is on the sheet.',
      });
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

  const drawingOutline = target === 'zone' && tool === 'outline' && !now.closed;
  useSheetKeys({
    pick,
    aim,
    ask: setAsking,
    draw: onDraw,
    zoom: (by) => setView((v) => zoomed(v, by, width)),
    wholeSheet,
    flipSnaps: () =>
      setSwitches((all) => ({
        ...all,
        corners: !all.corners,
        rightAngles: !all.rightAngles,
        wholeFeet: !all.wholeFeet,
      })),
    canClose: drawingOutline && now.corners.length > 0,
  });
  const season = zoneSeason?.zone.id === zone?.id ? zoneSeason : undefined;
  const next = season?.doses.find((d) => d.date >= today) ?? season?.doses[0];
  const preview = (drawn: readonly Pair[]) => previewOf(drafted.candidate, drawn, others, site, next?.rateLb);
  const spoken = spokenOf(tool, draft.cross, now, inside, corners, ground);

  if (asking === 'hand')
    return (
      <HandTest
        zoneName={facts.name || 'New zone'}
        onLeave={() => setAsking(undefined)}
        onAnswer={(test, texture) => {
          const measuredByLab = facts.sand !== '' || facts.silt !== '' || facts.clay !== '';
          change({
            handTest: { ...test, on: today },
            ...(measuredByLab ? {} : { texture: classByHand(test) ?? texture }),
          });
          setAsking(undefined);
        }}
      />
    );
  return (
    <>
      <div className="pagehead">
        <h1>Measuring the ground</h1>
        <span className="small">
          1 in = {view.ftPerInch} ft, one square is {roundedTo(view.ftPerInch / 4, 2)} ft
        </span>
        <span className="sp" />
        <Button disabled={draft.past.length === 0} onClick={() => onDraw({ do: 'undo' })}>
          Undo <span className="kbd">Ctrl Z</span>
        </Button>
        <Button disabled={draft.future.length === 0} onClick={() => onDraw({ do: 'redo' })}>
          Redo <span className="kbd">Ctrl Y</span>
        </Button>
        <Button onClick={() => setView(zoomed(view, -1, width))}>
          Zoom in <span className="kbd">+</span>
        </Button>
        <Button onClick={() => setView(zoomed(view, 1, width))}>
          Zoom out <span className="kbd">−</span>
        </Button>
        <Button onClick={wholeSheet}>
          Fit <span className="kbd">0</span>
        </Button>
      </div>
      <div className="body">
        <div className="tools">
          <ToolColumn
            tool={tool}
            target={target}
            onTool={pick}
            onTarget={aim}
            switches={switches}
            onSwitches={setSwitches}
            onTrack={() => setAsking('track')}
            onZonesFile={() => setAsking('zones')}
            onPicture={() => setAsking('picture')}
          />
        </div>
        <div className="plot" ref={box}>
          {mounted ? (
            <Suspense fallback={<div className="sheet" style={{ height: SHEET_HEIGHT }} />}>
              <SiteSheet
                width={width}
                view={view}
                onView={setView}
                site={site}
                others={others}
                focus={{
                  zone: { ...facts, ring: measured.ring as Zone['ring'], offsets: measured.offsets as Zone['offsets'] },
                  grass: facts.grass,
                  ground: drafted.hasShape ? ground : undefined,
                  corners,
                }}
                claims={claims}
                draft={draft}
                onDraw={onDraw}
                tool={tool}
                target={target}
                pending={pending}
                onPending={setPending}
                onShape={onShape}
                onPlace={(at) => onDraw({ do: 'change', part: { at } })}
                onChoose={onChoose}
                onTypeSide={setTypedSide}
                switches={switches}
                inside={inside}
                onInside={setInside}
                spoken={spoken}
              >
                {typedSide !== undefined && corners.length > typedSide && (
                  <SideSlip
                    key={typedSide}
                    corners={corners}
                    side={typedSide}
                    at={slipAt(view, corners, typedSide, width)}
                    preview={preview}
                    onKeep={(changed) => {
                      onDraw({ do: 'change', part: { corners: changed, ring: undefined } });
                      setTypedSide(undefined);
                    }}
                    onSide={setTypedSide}
                    onClose={() => setTypedSide(undefined)}
                  />
                )}
              </SiteSheet>
            </Suspense>
          ) : (
            <div className="sheet" style={{ height: SHEET_HEIGHT }} />
          )}
          <ReckoningLine
            ground={ground}
            next={next}
            productName={file.products?.find((p) => p.id === next?.productId)?.name}
          />
          <Fault>{drawnFault ?? (now.measure === 'outline' ? faults.corners : undefined)}</Fault>
          <Fault>{faults.cutOuts ?? faults.site}</Fault>
          {tool !== 'select' && (
            <TypedPoint
              start={target === 'zone' ? now.corners.at(-1) : pending.at(-1)}
              onPoint={setPoint}
              outline={target === 'zone' && tool === 'outline' ? now : undefined}
              onDraw={onDraw}
            />
          )}
          {now.measure === 'outline' && now.corners.length > 0 && (
            <CornerTable
              corners={now.corners}
              onMove={(corner, to) => onDraw({ do: 'move', corner, to })}
              onRemove={(corner) => onDraw({ do: 'remove', corner })}
              onTypeSide={setTypedSide}
            />
          )}
        </div>
        <aside className="margin">
          <ZoneLedger
            rows={file.zones.map((z) => ({
              zone: z,
              ground: z.id === zone?.id ? ground : others.find((o) => o.zone.id === z.id)?.ground,
            }))}
            focusId={zone?.id}
            adding={!zone}
            onChoose={onChoose}
            onAdd={onAdd}
          />
          <h2>{zone ? zone.name : 'New zone'}</h2>
          <form
            onSubmit={(event) => {
              event.preventDefault();
              keep();
            }}
          >
            <TextField label="Zone name" value={facts.name} onChange={(name) => change({ name })} fault={faults.name} />
            <MeasureFields
              typed={now}
              faults={faults}
              onMeasure={(measure) => onDraw({ do: 'change', part: { measure } })}
              onChange={(part) => onDraw({ do: 'change', part })}
            />
            <CutOutList
              cutOuts={now.cutOuts}
              ground={ground}
              onChange={(cutOut) => onDraw({ do: 'cut-out', cutOut })}
              onDrop={(id) => onDraw({ do: 'drop-cut-out', id })}
            />
            {claims.map((claim) => (
              <ClaimWarning
                key={`${claim.a.id}/${claim.b.id}`}
                claim={claim}
                focus={drafted.focus}
                onGiveAway={(left) =>
                  onDraw({ do: 'change', part: { measure: 'outline', corners: left, closed: true, ring: undefined } })
                }
                onSend={onSend}
                site={site}
              />
            ))}
            <ZoneFacts typed={facts} faults={faults} onChange={change} onHandTest={() => setAsking('hand')} />
            <div className="kept">
              <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
                Save zone
              </Button>
              {onRemove && (
                <button type="button" className="link small" onClick={onRemove}>
                  Delete {zone?.name}
                </button>
              )}
              {Object.keys(faults).length > 0 && <span className="small">Not saved yet: see the marked fields.</span>}
              <Fault>{faults.storage}</Fault>
            </div>
          </form>
          <SiteList site={site} onSite={(changed, says) => onSend({ intent: 'site', site: changed, says })} />
        </aside>
      </div>
      <ImportModal
        asking={asking}
        zone={zone}
        facts={facts}
        onClose={() => setAsking(undefined)}
        onSend={onSend}
        onOutline={(perimeter, drawn) => {
          const cutOuts = perimeter.holes.length > 0 ? [] : now.cutOuts;
          onDraw({
            do: 'change',
            part: { measure: 'outline', corners: drawn, closed: true, ring: perimeter.ring, cutOuts },
          });
          change({ measuredBy: asking === 'track' ? 'walk' : 'plan', name: facts.name || perimeter.name });
          setView(viewOf([...pointsOf(others, [], site), ...drawn], width));
        }}
      />
    </>
  );
}
