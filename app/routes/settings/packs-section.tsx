import { Button, Modal, Popconfirm, Select, Switch } from 'antd';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { printPack } from '@core/files/pack-file';
import { type PackFile, shippedPack } from '@core/packs/rule-packs';
import { rowsOf } from '@core/packs/pack-diff';
import { newId } from '@core/records/new-id';
import { isRefusal } from '@core/reckoning/refusal';
import type { PackRecord } from '../../storage/schema';
import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { placeHash } from '../../ui/place';
import { saveTextFile } from '../../ui/save-text-file';
import type { EffectsWorker, VerdictsHere } from '../../workers/effects-here';
import { readFile } from '../../workers/read-file';
import { type Link as WorkerLink, linkWorker } from '../../workers/worker-link';
import { againstShipped, KIND_WORDS, KINDS } from './own-pack';
import { PackDifferencesList } from './pack-differences';

interface PacksSectionProps {
  packs: readonly PackRecord[];
  properties: readonly { id: string; name: string }[];
  today: string;
  onPut: (packs: PackRecord[], says: string) => void;
  onRemove: (pack: PackRecord) => void;
}

/** Properties named in the sentence of what a pack changes. */
const MOST_NAMED = 6;

/** What laying a pack over would change of what is read now, worked out beside the page. */
function WhatChanges({ packs, today }: { packs: readonly PackRecord[]; today: string }) {
  const [found, setFound] = useState<VerdictsHere[]>();
  const [fault, setFault] = useState<string>();
  const link = useRef<WorkerLink<EffectsWorker>>(undefined);
  useEffect(() => {
    const started = linkWorker<EffectsWorker>(
      () => new Worker(new URL('../../workers/effects-here.ts', import.meta.url), { type: 'module' }),
    );
    link.current = started;
    started
      .call((worker) => worker.ofPacks([...packs], today))
      .then(setFound)
      .catch((reason: unknown) => setFault(reason instanceof Error ? reason.message : 'It could not be worked out.'));
    return () => started.end();
    // worked out once for the pack that is looked at
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (fault) return <Fault>{fault}</Fault>;
  if (!found)
    return (
      <p className="small" role="status">
        Reading every property by it…
      </p>
    );
  const verdicts = found.reduce((sum, { changes }) => sum + changes.length, 0);
  return (
    <div role="status">
      <p>
        <b>
          {verdicts === 0
            ? 'No verdict on a report here changes.'
            : `${verdicts} ${verdicts === 1 ? 'verdict changes' : 'verdicts change'} in ${found.length} ${found.length === 1 ? 'property' : 'properties'}.`}
        </b>
      </p>
      <ul className="small">
        {found.slice(0, MOST_NAMED).map(({ propertyId, name, changes }) => (
          <li key={propertyId}>
            {name}:{' '}
            {changes
              .slice(0, MOST_NAMED)
              .map(
                ({ zoneName, of, from, to }) =>
                  `${zoneName}, ${of} ${from.replaceAll('-', ' ')} → ${to.replaceAll('-', ' ')}`,
              )
              .join('; ')}
            {changes.length > MOST_NAMED && ` and ${changes.length - MOST_NAMED} more`}
          </li>
        ))}
        {found.length > MOST_NAMED && <li>and {found.length - MOST_NAMED} properties more</li>}
      </ul>
    </div>
  );
}

/** Rule packs by kind: what ships, what is laid over it, in which order, for which properties. */
export function PacksSection({ packs, properties, today, onPut, onRemove }: PacksSectionProps) {
  const [fault, setFault] = useState<string>();
  const [looked, setLooked] = useState<{ name: string; file: PackFile; before?: PackRecord }>();
  const choose = async (file: File) => {
    setFault(undefined);
    const pack = await readFile(file, (reading) => reading.pack(file));
    if (isRefusal(pack))
      return setFault(`${file.name}: ${pack.refused}${pack.field ? ` (at ${pack.field})` : ''} Nothing was changed.`);
    setLooked({
      name: file.name,
      file: pack,
      before: packs.find(({ file: has }) => has.pack === pack.pack && has.kind === pack.kind),
    });
  };
  const last = packs.reduce((most, { order }) => Math.max(most, order), 0);
  const recordOf = ({ file, before }: NonNullable<typeof looked>): PackRecord =>
    before
      ? { ...before, file }
      : {
          id: newId(
            file.pack,
            packs.map(({ id }) => id),
          ),
          order: last + 1,
          file,
        };
  const withRecord = (record: PackRecord) =>
    [...packs.filter(({ id }) => id !== record.id), record].sort((a, b) => a.order - b.order);
  const move = (pack: PackRecord, by: number) => {
    const same = packs.filter(({ file }) => file.kind === pack.file.kind);
    const other = same[same.indexOf(pack) + by];
    if (other)
      onPut(
        [
          { ...pack, order: other.order },
          { ...other, order: pack.order },
        ],
        `${pack.file.pack} lies ${by < 0 ? 'under' : 'over'} ${other.file.pack} now.`,
      );
  };
  return (
    <>
      <p className="note">
        Tables everything is judged by. An own pack lies over what ships, row by row; the later lies over the earlier.
        Every finding names the pack that decided it.
      </p>
      <p className="links">
        <FilePicker label="Rule pack" accept=".json,application/json" onFile={(file) => void choose(file)}>
          Import a pack
        </FilePicker>
      </p>
      <Fault>{fault}</Fault>
      {KINDS.map((kind) => {
        const shipped = shippedPack(kind);
        const own = packs.filter(({ file }) => file.kind === kind);
        return (
          <section key={kind} className="packkind" aria-label={KIND_WORDS[kind]}>
            <h3>{KIND_WORDS[kind]}</h3>
            <ul>
              <li className="pack">
                <div>
                  <b>
                    {shipped.pack} {shipped.version}
                  </b>{' '}
                  ships, {rowsOf(shipped).size} {rowsOf(shipped).size === 1 ? 'table' : 'rows'},{' '}
                  {shipped.source.standing}
                  <p className="small">{shipped.source.cite}</p>
                </div>
                <span className="links">
                  <Link
                    className="link"
                    to={
                      kind === 'local-codes'
                        ? '/settings/codes'
                        : { pathname: '/settings/tables', hash: placeHash({ kind }) }
                    }
                  >
                    {kind === 'local-codes' ? 'Read and copy' : 'See and edit'}
                  </Link>
                </span>
              </li>
              {own.map((pack, i) => (
                <li key={pack.id} className={pack.off ? 'pack off' : 'pack'}>
                  <div
                    onKeyDown={(event) => {
                      if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
                      event.preventDefault();
                      move(pack, event.key === 'ArrowUp' ? -1 : 1);
                    }}
                  >
                    <b>
                      {pack.file.pack} {pack.file.version}
                    </b>{' '}
                    {pack.off ? 'switched off' : 'lies over it'}, {pack.file.source.standing}
                    <p className="small">{pack.file.source.cite}</p>
                    <details>
                      <summary>What it changes</summary>
                      <PackDifferencesList found={againstShipped(pack.file)} />
                    </details>
                    <p className="links">
                      <Switch
                        size="small"
                        checked={!pack.off}
                        aria-label={`${pack.file.pack} holds`}
                        onChange={(on) =>
                          onPut([{ ...pack, off: !on }], `${pack.file.pack} is switched ${on ? 'on' : 'off'}.`)
                        }
                      />
                      <Select
                        mode="multiple"
                        size="small"
                        className="packfor"
                        aria-label={`Properties that ${pack.file.pack} holds for`}
                        placeholder="for all properties"
                        value={pack.properties ?? []}
                        options={properties.map(({ id, name }) => ({ value: id, label: name }))}
                        showSearch={{ optionFilterProp: 'label' }}
                        onChange={(chosen) =>
                          onPut(
                            [{ ...pack, properties: chosen.length > 0 ? chosen : undefined }],
                            `${pack.file.pack} holds for ${chosen.length > 0 ? `${chosen.length} ${chosen.length === 1 ? 'property' : 'properties'}` : 'all properties'}.`,
                          )
                        }
                      />
                      <Button
                        size="small"
                        disabled={i === 0}
                        aria-label={`${pack.file.pack}: earlier`}
                        onClick={() => move(pack, -1)}
                      >
                        Earlier
                      </Button>
                      <Button
                        size="small"
                        disabled={i === own.length - 1}
                        aria-label={`${pack.file.pack}: later`}
                        onClick={() => move(pack, 1)}
                      >
                        Later
                      </Button>
                      <Button
                        size="small"
                        onClick={() => saveTextFile(`${pack.id}.json`, printPack(pack.file), 'application/json')}
                      >
                        Export
                      </Button>
                      <Popconfirm
                        title={`Delete ${pack.file.pack}?`}
                        okText="Delete"
                        cancelText="Cancel"
                        onConfirm={() => onRemove(pack)}
                      >
                        <Button size="small">Delete</Button>
                      </Popconfirm>
                    </p>
                  </div>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
      {looked && (
        <Modal
          title={`${looked.file.pack} ${looked.file.version}`}
          open
          width={620}
          okText={looked.before ? 'Replace' : 'Lay it over'}
          cancelText="Cancel"
          onCancel={() => setLooked(undefined)}
          onOk={() => {
            onPut([recordOf(looked)], `${looked.file.pack} is laid over what ships.`);
            setLooked(undefined);
          }}
        >
          <p>
            {KIND_WORDS[looked.file.kind as (typeof KINDS)[number]]}, {looked.file.source.standing}:{' '}
            {looked.file.source.cite}
          </p>
          {looked.before && (
            <p className="small">
              It replaces {looked.before.file.pack} {looked.before.file.version}, which is here.
            </p>
          )}
          <PackDifferencesList found={againstShipped(looked.file)} />
          <WhatChanges packs={withRecord(recordOf(looked))} today={today} />
        </Modal>
      )}
    </>
  );
}
