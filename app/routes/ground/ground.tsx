import './ground.css';
import { App, Button, Segmented } from 'antd';
import { lazy, Suspense, useEffect, useReducer, useState } from 'react';
import { type FetcherWithComponents, useFetcher, useSearchParams } from 'react-router';
import type { Zone } from '@core/formats/case';
import { cornerLetter } from '@core/ground/crossing';
import { polygonArea } from '@core/ground/area-polygon';
import { rectangleArea } from '@core/ground/area-rectangle';
import { CLIMATE_PRESETS } from '@core/packs/starter-shelf';
import { figureOf, traced } from '@core/prescription/figure';
import type { Pair } from '@core/reckoning/inputs';
import { isRefusal } from '@core/reckoning/refusal';
import { typedNumber } from '@core/formats/typed-number';
import { exportProperty, readImport, storeCases } from '../../storage/case-files';
import { deleteZone, loadProperty, saveProperty, saveZone } from '../../storage/property-repository';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { Fig } from '../../ui/fig';
import { showArea } from '../../ui/format';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { useMounted } from '../../ui/use-mounted';
import { usePropertyWork } from '../../work/property-work';
import type { Route } from './+types/ground';
import { blankOutline, drawOutline, outlineFault } from './outline-state';
import { ZoneFacts } from './zone-facts';
import { measure, type Measure, typedFromZone, type TypedZone, zoneFromTyped } from './zone-from-typed';

const OutlineSheet = lazy(() => import('./outline-sheet'));
/** Ground one square of the sheet may stand for, ft. */
const SQUARES_FT = [2, 5, 10, 20, 50, 100];

type Sent =
  | { intent: 'keep'; typed: TypedZone }
  | { intent: 'remove'; zoneId: string }
  | { intent: 'restore'; source: string }
  | { intent: 'climate'; preset: string };

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  const sent = (await request.json()) as Sent;
  const file = await loadProperty(params.propertyId);
  if (!file) return { faults: { name: 'This property was removed, perhaps in another tab.' } };
  switch (sent.intent) {
    case 'keep': {
      const before = file.zones.find((z) => z.id === sent.typed.id);
      const answer = zoneFromTyped(
        sent.typed,
        before,
        file.zones.map((z) => z.id),
      );
      if ('faults' in answer) return answer;
      await saveZone(file.property.id, answer.zone);
      return { kept: answer.zone.id, name: answer.zone.name };
    }
    case 'remove': {
      const source = await exportProperty(file.property.id);
      await deleteZone(file.property.id, sent.zoneId);
      return { removed: source, name: file.zones.find((z) => z.id === sent.zoneId)?.name };
    }
    case 'restore': {
      const cases = readImport(sent.source);
      if (!isRefusal(cases)) await storeCases(cases, { replace: true });
      return {};
    }
    case 'climate': {
      const preset = CLIMATE_PRESETS.find((p) => p.id === sent.preset);
      if (preset) await saveProperty({ ...file.property, climate: preset.climate, latitudeDeg: preset.latitudeDeg });
      return {};
    }
  }
}

type Answer = { faults?: Record<string, string>; kept?: string; removed?: string; name?: string };

function AreaFigure({ typed }: { typed: TypedZone }) {
  const title = 'Area of the zone';
  const says = typed.measuredBy ? `measured by ${typed.measuredBy}` : 'typed';
  const used = 'Every rate per 1000 sq ft is weighed out over it.';
  if (typed.measure === 'outline') {
    if (!typed.closed) return <span className="note">the outline is still open</span>;
    const figure = figureOf(
      polygonArea,
      { points: traced(typed.corners, `corners on the sheet, ${says}`) },
      { title, unit: 'ft2', usedIn: used },
    );
    return isRefusal(figure) ? (
      <span>not yet one shape</span>
    ) : (
      <span>
        <Fig figure={figure} show={showArea} /> sq ft
      </span>
    );
  }
  if (typed.measure === 'rectangle') {
    const { rectangle } = measure(typed, {});
    if (!rectangle) return <span className="note">length and width give the area</span>;
    const figure = figureOf(
      rectangleArea,
      { lengthFt: traced(rectangle.lengthFt, says), widthFt: traced(rectangle.widthFt, says) },
      { title, unit: 'ft2', usedIn: used },
    );
    return isRefusal(figure) ? (
      <span>not yet an area</span>
    ) : (
      <span>
        <Fig figure={figure} show={showArea} /> sq ft
      </span>
    );
  }
  const { areaSqFt } = measure(typed, {});
  return <span>{areaSqFt === undefined ? 'type the area' : `${showArea(areaSqFt)} sq ft, as typed`}</span>;
}

function CornerTable({
  corners,
  onMove,
  onRemove,
}: {
  corners: readonly Pair[];
  onMove: (corner: number, to: Pair) => void;
  onRemove: (corner: number) => void;
}) {
  return (
    <details className="corners">
      <summary>Corners as a table</summary>
      <table>
        <thead>
          <tr>
            <th scope="col">Corner</th>
            <th scope="col">East, ft</th>
            <th scope="col">South, ft</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {corners.map((corner, i) => (
            <tr key={`${i}-${corner.join()}`}>
              <th scope="row">
                <i>{cornerLetter(i)}</i>
              </th>
              {[0, 1].map((axis) => (
                <td key={axis}>
                  <input
                    aria-label={`Corner ${cornerLetter(i)}, ${axis === 0 ? 'east' : 'south'}, ft`}
                    defaultValue={corner[axis]}
                    onBlur={(event) => {
                      const value = typedNumber(event.target.value, 'Corner', 'corner');
                      if (isRefusal(value) || value === undefined) event.target.value = String(corner[axis]);
                      else onMove(i, axis === 0 ? [value, corner[1]] : [corner[0], value]);
                    }}
                  />
                </td>
              ))}
              <td>
                <button type="button" className="link" onClick={() => onRemove(i)}>
                  Remove
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </details>
  );
}

function ZoneSheet({ zone, fetcher }: { zone: Zone | undefined; fetcher: FetcherWithComponents<Answer> }) {
  const { file } = usePropertyWork();
  const [typed, setTyped] = useState(() => typedFromZone(zone));
  const [outline, draw] = useReducer(drawOutline, typed.corners, blankOutline);
  const [squareFt, setSquareFt] = useState(() => {
    const reach = Math.max(60, ...typed.corners.flatMap((c) => [c[0] / 1.6, c[1]]), Number(typed.length) / 1.5 || 0);
    return SQUARES_FT.find((ft) => reach / ft <= 17) ?? 100;
  });
  const mounted = useMounted();
  const now: TypedZone = { ...typed, corners: outline.corners, closed: outline.closed };
  const change = (part: Partial<TypedZone>) => setTyped((before) => ({ ...before, ...part }));
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const drawnFault = typed.measure === 'outline' ? outlineFault(outline) : undefined;
  const measured = measure(now, {});
  const keep = () =>
    fetcher.submit({ intent: 'keep', typed: now } as never, { method: 'post', encType: 'application/json' });
  const wider = SQUARES_FT[SQUARES_FT.indexOf(squareFt) + 1];
  const closer = SQUARES_FT[SQUARES_FT.indexOf(squareFt) - 1];
  return (
    <>
      <div className="plot">
        <div className="sheetbar">
          <Segmented<Measure>
            aria-label="How it is measured"
            value={typed.measure}
            onChange={(value) => change({ measure: value })}
            options={[
              { value: 'rectangle', label: 'Rectangle' },
              { value: 'outline', label: 'Outline' },
              { value: 'known', label: 'Known area' },
            ]}
          />
          {typed.measure === 'outline' && (
            <>
              <Button disabled={outline.past.length === 0} onClick={() => draw({ do: 'undo' })}>
                Undo
              </Button>
              <Button disabled={outline.future.length === 0} onClick={() => draw({ do: 'redo' })}>
                Redo
              </Button>
              <Button disabled={outline.closed || outline.corners.length < 3} onClick={() => draw({ do: 'close' })}>
                Close outline
              </Button>
              <Button disabled={outline.corners.length === 0} onClick={() => draw({ do: 'clear' })}>
                Start again
              </Button>
            </>
          )}
          <span style={{ flex: 1 }} />
          <Button disabled={!closer} onClick={() => closer && setSquareFt(closer)}>
            Closer
          </Button>
          <Button disabled={!wider} onClick={() => wider && setSquareFt(wider)}>
            Wider
          </Button>
        </div>
        {mounted ? (
          <Suspense fallback={<div className="sheet" style={{ height: 500 }} />}>
            <OutlineSheet
              outline={outline}
              rectangle={typed.measure === 'rectangle' ? measured.rectangle : undefined}
              areaSqFt={measured.areaSqFt}
              name={typed.name}
              squareFt={squareFt}
              drawing={typed.measure === 'outline'}
              onDraw={draw}
            />
          </Suspense>
        ) : (
          <div className="sheet" style={{ height: 500 }} />
        )}
        <div className="reckoning">
          <AreaFigure typed={now} />
          <span className="small">one square is {squareFt} ft</span>
          {typed.measure === 'outline' && !outline.closed && (
            <span className="small">
              Click for corners, or focus the sheet: arrows move the cross, Enter sets a corner, C closes.
            </span>
          )}
        </div>
        <Fault>{drawnFault ?? (typed.measure === 'outline' ? faults.corners : undefined)}</Fault>
        {typed.measure === 'outline' && outline.corners.length > 0 && (
          <CornerTable
            corners={outline.corners}
            onMove={(corner, to) => draw({ do: 'move', corner, to })}
            onRemove={(corner) => draw({ do: 'remove', corner })}
          />
        )}
      </div>
      <aside className="margin">
        <h2>{zone ? zone.name : 'New zone'}</h2>
        <form
          onSubmit={(event) => {
            event.preventDefault();
            void keep();
          }}
        >
          <TextField
            label="Zone name"
            value={typed.name}
            onChange={(text) => change({ name: text })}
            fault={faults.name}
          />
          {typed.measure === 'rectangle' && (
            <div className="pair">
              <TextField
                label="Length"
                unit="ft"
                value={typed.length}
                onChange={(text) => change({ length: text })}
                fault={faults.length}
                inputMode="decimal"
              />
              <TextField
                label="Width"
                unit="ft"
                value={typed.width}
                onChange={(text) => change({ width: text })}
                fault={faults.width}
                inputMode="decimal"
              />
            </div>
          )}
          {typed.measure === 'known' && (
            <TextField
              label="Area"
              unit="sq ft"
              value={typed.area}
              onChange={(text) => change({ area: text })}
              fault={faults.area}
              inputMode="decimal"
            />
          )}
          <ZoneFacts typed={typed} faults={faults} onChange={change} />
          <div className="kept">
            <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
              Keep zone
            </Button>
            {Object.keys(faults).length > 0 && <span className="small">Not kept yet: see the marked fields.</span>}
          </div>
        </form>
        <ClimateChoice
          has={file.property.climate !== undefined}
          onChoose={(preset) =>
            fetcher.submit({ intent: 'climate', preset }, { method: 'post', encType: 'application/json' })
          }
        />
      </aside>
    </>
  );
}

function ClimateChoice({ has, onChoose }: { has: boolean; onChoose: (preset: string) => void }) {
  return (
    <div className="climate">
      <ChoiceField
        label="Climate of the property"
        unit={has ? 'set; choose to replace' : 'not set: no dates without it'}
        placeholder={has ? 'Replace by a region' : 'Choose the nearest region'}
        value={undefined}
        options={CLIMATE_PRESETS.map((p) => ({ value: p.id, label: p.name }))}
        onChange={onChoose}
      />
    </div>
  );
}

export default function Ground() {
  const { file, zone } = usePropertyWork();
  const [search, setSearch] = useSearchParams();
  const fetcher = useFetcher<Answer>();
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const adding = search.has('add') || !zone;
  const focus = adding ? undefined : zone;
  const go = (change: (params: URLSearchParams) => void) =>
    setSearch((before) => {
      change(before);
      return before;
    });
  const toZone = (id: string) =>
    go((params) => {
      params.delete('add');
      params.set('zone', id);
    });
  // the sheet below is built anew once its zone is stored, so its answer is heard here
  const keeping = useFetcher<Answer>();
  const answer = keeping.data;
  useEffect(() => {
    if (keeping.state !== 'idle' || !answer?.kept) return;
    void message.success(`${answer.name} is kept.`);
    toZone(answer.kept);
    // only a new answer counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [answer, keeping.state]);
  const total = file.zones.reduce((sum, z) => sum + z.areaSqFt, 0);
  const remove = async (target: Zone) => {
    const source = await exportProperty(file.property.id);
    void fetcher.submit({ intent: 'remove', zoneId: target.id }, { method: 'post', encType: 'application/json' });
    offerUndo(
      `${target.name} and its reports were removed.`,
      () =>
        source && void fetcher.submit({ intent: 'restore', source }, { method: 'post', encType: 'application/json' }),
    );
  };
  return (
    <div className="ground">
      <div className="pagehead">
        <h1>Measuring the ground</h1>
        <span className="small">Every pound later follows from these square feet.</span>
      </div>
      <div className="body">
        <div className="tools">
          <h2>Zones</h2>
          <ul>
            {file.zones.map((z) => (
              <li key={z.id}>
                <button type="button" className="tool" aria-current={z.id === focus?.id} onClick={() => toZone(z.id)}>
                  {z.name}
                  <span className="small" style={{ display: 'block' }}>
                    {showArea(z.areaSqFt)} sq ft
                  </span>
                </button>
              </li>
            ))}
            <li>
              <button
                type="button"
                className="tool"
                aria-current={adding}
                onClick={() => go((params) => params.set('add', '1'))}
              >
                Add a zone
              </button>
            </li>
          </ul>
          {file.zones.length > 0 && (
            <p className="total ledger-total">
              <span style={{ flex: 1 }}>All</span> {showArea(total)}
            </p>
          )}
          {focus && (
            <p style={{ marginTop: 12 }}>
              <button type="button" className="link small" onClick={() => void remove(focus)}>
                Remove {focus.name}
              </button>
            </p>
          )}
        </div>
        <ZoneSheet key={focus?.id ?? `new-${file.zones.length}`} zone={focus} fetcher={keeping} />
      </div>
    </div>
  );
}
