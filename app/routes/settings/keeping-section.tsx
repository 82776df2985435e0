import { Button, Checkbox, Input, Modal, Segmented } from 'antd';
import { useEffect, useState } from 'react';
import { BACKUP_EVERY } from '@core/records/settings-schema';
import { sayDate } from '@core/words/days';
import { grouped, trimmed } from '@core/words/numbers';
import { askNow, type StorageStanding, storageStanding, type Unsaved } from '../../storage/keeping';
import { Fault } from '../../ui/field';
import { WarnGlyph } from '../../ui/glyphs';
import type { EffectsWorker } from '../../workers/effects-here';
import { linkWorker } from '../../workers/worker-link';

const MB = 1e6;
const GB = 1e9;
const size = (bytes: number): string =>
  bytes >= GB
    ? `${trimmed(bytes / GB, 1)} GB`
    : bytes < 1e3
      ? 'under 1 kB'
      : bytes < MB / 10
        ? `${grouped(bytes / 1e3, 0)} kB`
        : `${trimmed(bytes / MB, 1)} MB`;
/** Share of the browser's room from which it is little. Decision. */
const LITTLE_ROOM = 0.8;

const TABLE_WORDS: Record<string, string> = {
  properties: 'Properties',
  zones: 'Zones',
  soilTests: 'Soil reports',
  products: 'Shelf',
  plans: 'Plans',
  samples: 'Samples',
  runs: 'Runs in the field',
  pictures: 'Plan pictures',
  labLayouts: 'Remembered laboratories',
  notes: 'Notes of this browser',
  localCodes: 'Own local codes',
  packs: 'Own rule packs',
  operators: 'People',
  spreaders: 'Spreaders',
  settings: 'Settings',
};
const ANSWERS = {
  kept: 'The browser keeps what is stored.',
  refused: 'The browser did not promise it: it may clear data when space is short. Keep a backup.',
  'not offered': 'This browser makes no such promise. Keep a backup.',
  'no answer': 'The browser gave no answer. Ask again, or keep a backup.',
} as const;
/** What a person types before everything is deleted. */
const WORD = 'delete';

interface KeepingSectionProps {
  unsaved: Unsaved;
  everyDays: number;
  due: boolean;
  properties: number;
  onBackup: (licenses: boolean) => Promise<void>;
  onEvery: (days: number) => void;
  onDeleteAll: () => void;
}

/** What is stored here, how sure it is to stay, the last backup, and the way to delete all of it. */
export function KeepingSection({
  unsaved,
  everyDays,
  due,
  properties,
  onBackup,
  onEvery,
  onDeleteAll,
}: KeepingSectionProps) {
  const [standing, setStanding] = useState<StorageStanding>();
  const [answer, setAnswer] = useState<keyof typeof ANSWERS>();
  const [asking, setAsking] = useState(false);
  const [licenses, setLicenses] = useState(false);
  const [stored, setStored] = useState<Awaited<ReturnType<EffectsWorker['storedBytes']>>>();
  const [fault, setFault] = useState<string>();
  const [deleting, setDeleting] = useState<string>();
  useEffect(() => {
    let left = false;
    const look = () => void storageStanding().then((now) => !left && setStanding(now));
    look();
    const link = linkWorker<EffectsWorker>(
      () => new Worker(new URL('../../workers/effects-here.ts', import.meta.url), { type: 'module' }),
    );
    link
      .call((worker) => worker.storedBytes())
      .then((found) => !left && setStored(found))
      .catch(
        (reason: unknown) => !left && setFault(reason instanceof Error ? reason.message : 'It could not be counted.'),
      )
      .finally(() => link.end());
    return () => {
      left = true;
      link.end();
    };
  }, [unsaved, answer]);
  const { usage, quota, persisted } = standing ?? {};
  const little = usage !== undefined && quota !== undefined && quota > 0 && usage / quota > LITTLE_ROOM;
  const kept = (stored ?? []).filter(({ records }) => records > 0);
  return (
    <>
      <h3>Backup</h3>
      <p>
        {unsaved.backupOn
          ? `The last backup from this browser is of ${sayDate(unsaved.backupOn)}.`
          : 'No backup was saved from this browser yet.'}{' '}
        {unsaved.changes === 0
          ? 'Nothing changed since.'
          : `${grouped(unsaved.changes, 0)} ${unsaved.changes === 1 ? 'change' : 'changes'} since.`}
      </p>
      {due && (
        <p className="caution">
          <WarnGlyph />
          <span>A backup is due. It is one file with everything; it goes nowhere but where you save it.</span>
        </p>
      )}
      <p className="links">
        <Button type="primary" onClick={() => void onBackup(licenses)}>
          Save a backup
        </Button>
        <Checkbox checked={licenses} onChange={({ target }) => setLicenses(target.checked)}>
          with license numbers
        </Checkbox>
      </p>
      <p className="remind">
        Ask for one{' '}
        <Segmented<number>
          aria-label="Ask for a backup"
          size="small"
          value={everyDays}
          options={BACKUP_EVERY.map((value) => ({ value, label: value === 0 ? 'never' : `after ${value} days` }))}
          onChange={onEvery}
        />
      </p>
      <h3>Storage</h3>
      <Fault>{fault}</Fault>
      {standing && usage === undefined && (
        <p className="small">
          This browser does not tell how much room there is. A private window forgets everything when it is closed.
        </p>
      )}
      {usage !== undefined && quota !== undefined && (
        <p>
          {size(usage)} used of {size(quota)} that the browser gives.
          {little && (
            <span className="caution">
              <WarnGlyph />
              <span>
                Little room is left: plan pictures take most; take one off on Ground, or save a backup and delete a
                property.
              </span>
            </span>
          )}
        </p>
      )}
      {kept.length > 0 && (
        <table className="stored">
          <caption className="vh">What is stored, by what it is</caption>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col" className="num">
                Records
              </th>
              <th scope="col" className="num">
                Size
              </th>
            </tr>
          </thead>
          <tbody>
            {kept.map(({ table, records, bytes }) => (
              <tr key={table}>
                <th scope="row">{TABLE_WORDS[table] ?? table}</th>
                <td className="num">{grouped(records, 0)}</td>
                <td className="num">{size(bytes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="links">
        <Button
          loading={asking}
          onClick={() => {
            setAsking(true);
            void askNow().then((said) => {
              setAnswer(said);
              setAsking(false);
            });
          }}
        >
          Ask the browser to keep it
        </Button>
        <span className="small" role="status">
          {answer
            ? ANSWERS[answer]
            : persisted
              ? ANSWERS.kept
              : persisted === false
                ? 'The browser has promised nothing yet.'
                : ''}
        </span>
      </p>
      <h3>Delete everything</h3>
      <p className="small">
        {properties} {properties === 1 ? 'property' : 'properties'}, the shelf, own codes, packs, people and settings:
        all that Ubertas keeps in this browser. It cannot be undone; save a backup first.
      </p>
      <Button danger onClick={() => setDeleting('')}>
        Delete everything…
      </Button>
      {deleting !== undefined && (
        <Modal
          title="Delete everything?"
          open
          okText="Delete everything"
          okButtonProps={{ danger: true, disabled: deleting.trim().toLowerCase() !== WORD }}
          cancelText="Cancel"
          onCancel={() => setDeleting(undefined)}
          onOk={() => {
            setDeleting(undefined);
            onDeleteAll();
          }}
        >
          <p>
            {kept
              .map(({ table, records }) => `${grouped(records, 0)} ${(TABLE_WORDS[table] ?? table).toLowerCase()}`)
              .join(', ') || 'Everything kept here'}{' '}
            will be gone from this browser for good.
          </p>
          <p className="links">
            <Button onClick={() => void onBackup(licenses)}>Save a backup</Button>
          </p>
          <label className="field">
            <span className="label">Type “{WORD}” to go on</span>
            <Input
              value={deleting}
              onChange={({ target }) => setDeleting(target.value)}
              aria-label={`Type ${WORD} to go on`}
            />
          </label>
        </Modal>
      )}
    </>
  );
}
