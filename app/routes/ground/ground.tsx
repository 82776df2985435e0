import './ground.css';
import { App, Button } from 'antd';
import { useEffect } from 'react';
import { Link, useFetcher, useLocation } from 'react-router';
import { printGeoJson } from '@core/files/ground-files';
import type { LocalCode } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { isRefusal } from '@core/reckoning/refusal';
import { codesHere } from '../../storage/own-codes';
import { PlaceField } from '../../ui/place-field';
import { saveTextFile } from '../../ui/save-text-file';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/ground';
import { type Answer, groundAction, type Sent } from './ground-action';
import { CodesChoice } from './codes-choice';
import { SheetPosition } from './sheet-position';
import { ZoneSheet } from './zone-sheet';
import { StageFault } from '../../work/stage-fault';
import { type Shapes, useSend } from '../../work/send';
import { propertyAction, type UndoSent, undoOf } from '../../work/property-action';
import { usePlace } from '../../ui/place';

const SHAPES: Shapes<Sent> = {
  keep: { typed: 'record' },
  remove: { zoneId: 'text' },
  site: { site: 'record', says: 'text', was: 'record?' },
  zones: { zones: 'list', site: 'record?', says: 'text' },
  climate: { preset: 'text' },
  codes: { codeIds: 'list' },
};

/** Codes to choose from; the property itself comes from the page around. */
export async function clientLoader() {
  const { own, packs } = await codesHere();
  const option = (of: string) => (code: LocalCode) => ({ id: code.id, name: code.name ?? code.id, of });
  return { codes: [...own.map(option('Own')), ...packs.flatMap(([pack, codes]) => codes.map(option(pack)))] };
}

export const clientAction = propertyAction<Sent, Answer>(SHAPES, groundAction);

/** Where a property has no climate yet, or another is wanted. */
function ClimateChoice({
  has,
  origin,
  onChoose,
}: {
  has: boolean;
  origin: readonly [number, number] | undefined;
  onChoose: (preset: string) => void;
}) {
  const { hash } = useLocation();
  return (
    <div className="climate">
      <PlaceField
        label="Climate of the property"
        unit={has ? 'set; choose to replace' : 'not set: no dates without it'}
        origin={origin}
        onChoose={({ id }) => onChoose(`place:${id}`)}
      />
      <Link className="link" to={{ pathname: '../season/climate', hash }} relative="path">
        From a station, a table, typed or an invented region
      </Link>
    </div>
  );
}

/** Ground: measure the lawn, say what grows on it and on what soil. */
export default function Ground({ loaderData }: Route.ComponentProps) {
  const { file, zone } = usePropertyWork();
  const [place, setPlace] = usePlace();
  const { message } = App.useApp();
  const offerUndo = useOfferUndo();
  const adding = place.has('add') || !zone;
  const focus = adding ? undefined : zone;
  const go = (change: (params: URLSearchParams) => void) =>
    setPlace((before) => {
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
    void message.success(`${answer.name} is saved.`);
    toZone(answer.kept);
    // only a new answer counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [answer, keeping.state]);
  const { fetcher: other, send: ask } = useSend<Sent | UndoSent, Answer>();
  const send = (sent: Sent | UndoSent) => {
    // the sheet's picture is not compared, and would be carried for nothing
    const { picture: _picture, ...was } = file.property.site ?? {};
    return ask(sent.intent === 'site' ? { ...sent, ...(file.property.site ? { was } : {}) } : sent);
  };
  const done = other.state === 'idle' ? other.data : undefined;
  useEffect(() => {
    const wrong = Object.values(done?.faults ?? {})[0];
    if (wrong) void message.error(wrong);
    else if (done?.undo) offerUndo(done.says ?? 'Done.', () => void send(undoOf(done)));
    // only a new answer counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [done]);
  const geoJson = printGeoJson(file.property, file.zones);
  return (
    <div className="ground">
      <ZoneSheet
        key={focus?.id ?? `new-${file.zones.length}`}
        zone={focus}
        fetcher={keeping}
        onChoose={toZone}
        onAdd={() => go((params) => params.set('add', '1'))}
        onSend={send}
        onRemove={focus ? () => send({ intent: 'remove', zoneId: focus.id }) : undefined}
      />
      <footer className="groundfoot">
        <ClimateChoice
          has={file.property.climate !== undefined}
          origin={file.property.site?.origin}
          onChoose={(preset) => send({ intent: 'climate', preset })}
        />
        <CodesChoice
          carried={file.codes ?? []}
          options={loaderData.codes}
          onChoose={(codeIds) => send({ intent: 'codes', codeIds })}
        />
        <SheetPosition
          key={String(file.property.site?.origin)}
          site={file.property.site}
          onSite={(site, says) => send({ intent: 'site', site, says })}
        />
        <div>
          <Button
            disabled={isRefusal(geoJson)}
            onClick={() =>
              !isRefusal(geoJson) &&
              saveTextFile(`${newId(file.property.name, [])}.geojson`, geoJson, 'application/geo+json')
            }
          >
            Export zones as GeoJSON
          </Button>
          {isRefusal(geoJson) && <p className="small">{geoJson.refused}</p>}
        </div>
      </footer>
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Ground" />;
}
