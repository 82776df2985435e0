import './settings.css';
import { Link } from 'react-router';
import { refuseSize } from '@core/files/largest-file';
import type { Operator } from '@core/records/operator-schema';
import type { DefaultsSetting, Setting } from '@core/records/settings-schema';
import { exportBackup } from '../../storage/case-files';
import type { Change } from '../../storage/changes';
import { deleteEverything, isBackupDue, noteBackup, sinceBackup, USUAL_BACKUP_DAYS } from '../../storage/keeping';
import { codesHere } from '../../storage/own-codes';
import { loadPacks } from '../../storage/own-packs';
import { changeOwn, loadOwn, loadSetting } from '../../storage/own-records';
import { applyChanges, listChoices, saveChoicesOf } from '../../storage/property-repository';
import type { TableChange } from '../../storage/record-table';
import type { PackRecord } from '../../storage/schema';
import { Loading } from '../../ui/loading';
import { saveTextFile } from '../../ui/save-text-file';
import { todayIso } from '../../ui/today';
import { RoomTop } from '../../ui/room-top';
import { answering, type Shapes, useSend } from '../../work/send';
import { StageFault } from '../../work/stage-fault';
import { useDone } from '../../work/use-done';
import { useFollow } from '../../work/use-follow';
import type { Route } from './+types/settings';
import { type DefaultChoices, DefaultsSection } from './defaults-section';
import { KeepingSection } from './keeping-section';
import { PacksSection } from './packs-section';
import { PeopleSection } from './people-section';
import { UnitsSection } from './units-section';

type Tables = 'packs' | 'operators' | 'settings';
interface SettingsAnswer {
  faults?: Record<string, string>;
  undo?: { kind: Tables; change: TableChange<never> };
  undoProperties?: { id: string; change: Change }[];
}
type Sent =
  | { intent: 'packs'; put: PackRecord[]; remove: string[] }
  | { intent: 'person'; put: Operator[]; remove: string[] }
  | { intent: 'setting'; setting: Setting }
  | { intent: 'apply'; propertyIds: string[]; choices: DefaultChoices }
  | { intent: 'undo'; kind: Tables; change: TableChange<never> }
  | { intent: 'undo-properties'; changes: { id: string; change: Change }[] }
  | { intent: 'backed-up' }
  | { intent: 'delete-all' };

export async function clientLoader() {
  const today = todayIso();
  const [packs, people, properties, codes, unsaved, defaults, keeping, units] = await Promise.all([
    loadPacks(),
    loadOwn('operators'),
    listChoices(),
    codesHere(),
    sinceBackup(),
    loadSetting('defaults'),
    loadSetting('keeping'),
    loadSetting('units'),
  ]);
  const everyDays = keeping?.backupEveryDays ?? USUAL_BACKUP_DAYS;
  return {
    today,
    packs,
    people: people.sort((a, b) => a.name.localeCompare(b.name)),
    properties,
    ownCodes: codes.own.map((code) => ({ id: code.id, name: code.name ?? code.id })),
    unsaved,
    defaults,
    keeping,
    units,
    everyDays,
    due: isBackupDue(unsaved, everyDays, today),
  };
}
clientLoader.hydrate = true as const;

async function act(sent: Sent): Promise<SettingsAnswer> {
  const table = async (kind: Tables, change: TableChange<never>): Promise<SettingsAnswer> => ({
    undo: { kind, change: (await changeOwn(kind, change)) as TableChange<never> },
  });
  switch (sent.intent) {
    case 'packs':
      return table('packs', { put: sent.put as never[], remove: sent.remove });
    case 'person':
      return table('operators', { put: sent.put as never[], remove: sent.remove });
    case 'setting': {
      // of two that are saved the last holds, here and in every tab: a setting is one choice, not a record two people write
      const stands = (await loadOwn('settings')).find(({ id }) => id === sent.setting.id);
      return table('settings', { put: [{ ...sent.setting, changedAt: stands?.changedAt } as never], remove: [] });
    }
    case 'apply':
      return { undoProperties: await saveChoicesOf(sent.propertyIds, sent.choices) };
    case 'undo':
      return table(sent.kind, sent.change);
    case 'undo-properties':
      return { undoProperties: await applyChanges(sent.changes) };
    case 'backed-up':
      await noteBackup(todayIso());
      return {};
    case 'delete-all':
      await deleteEverything();
      return {};
  }
}

const SHAPES: Shapes<Sent> = {
  packs: { put: 'list', remove: 'list' },
  person: { put: 'list', remove: 'list' },
  setting: { setting: 'record' },
  apply: { propertyIds: 'list', choices: 'record' },
  undo: { kind: 'text', change: 'record' },
  'undo-properties': { changes: 'list' },
  'backed-up': {},
  'delete-all': {},
};

export const clientAction = answering(SHAPES, (sent: Sent) => act(sent));

export function HydrateFallback() {
  return <Loading />;
}

const SECTIONS = [
  ['units', 'Units and numbers'],
  ['packs', 'Rule packs'],
  ['codes', 'Local codes'],
  ['people', 'People and licenses'],
  ['defaults', 'Defaults'],
  ['keeping', 'Backup and storage'],
] as const;

export default function Settings({ loaderData }: Route.ComponentProps) {
  const { today, packs, people, properties, ownCodes, unsaved, defaults, keeping, units, everyDays, due } = loaderData;
  const { send } = useSend<Sent, SettingsAnswer>();
  const done = useDone();
  useFollow(undefined);
  const undo = (answer: SettingsAnswer | undefined) =>
    answer?.undo ? send({ intent: 'undo', ...answer.undo }) : Promise.resolve(undefined);
  const backup = async (licenses: boolean) => {
    const name = `ubertas-backup-${today}.json`;
    await done(async () => {
      const text = await exportBackup(today, undefined, { licenses }).catch(() => undefined);
      if (text === undefined || refuseSize(name, text.length, 'case'))
        return {
          faults: {
            backup:
              'All properties together are more than one backup can hold and open again. Export them one by one, each on its own page.',
          },
        };
      saveTextFile(name, text, 'application/json');
      return send({ intent: 'backed-up' });
    });
  };
  const setting = (next: Setting, says: string) =>
    void done(() => send({ intent: 'setting', setting: next }), says, undo);
  return (
    <>
      <RoomTop />
      <main id="main" className="settings">
        <nav aria-label="Settings" className="settingsnav">
          <ul>
            {SECTIONS.map(([id, name]) => (
              <li key={id}>
                <a href={`#${id}`}>{name}</a>
              </li>
            ))}
          </ul>
        </nav>
        <div className="sections">
          <div className="pagehead">
            <h1>Settings</h1>
            <span className="small">Each is saved as it is made. All of it stays in this browser.</span>
          </div>
          <section aria-labelledby="units">
            <h2 id="units">Units and numbers</h2>
            <UnitsSection units={units} onSave={(next) => setting(next, 'Units and numbers are changed.')} />
          </section>
          <section aria-labelledby="packs">
            <h2 id="packs">Rule packs</h2>
            <PacksSection
              packs={packs}
              properties={properties}
              today={today}
              onPut={(put, says) => void done(() => send({ intent: 'packs', put, remove: [] }), says, undo)}
              onRemove={(pack) =>
                void done(
                  () => send({ intent: 'packs', put: [], remove: [pack.id] }),
                  `${pack.file.pack} was deleted.`,
                  undo,
                )
              }
            />
          </section>
          <section aria-labelledby="codes">
            <h2 id="codes">Local codes</h2>
            <p>
              {ownCodes.length === 0
                ? 'No own code yet: copy one that ships, or write one from your authority’s own words.'
                : `Own: ${ownCodes.map(({ name }) => name).join(', ')}.`}
            </p>
            <Link className="link" to="/settings/codes">
              Read, copy and edit local codes
            </Link>
          </section>
          <section aria-labelledby="people">
            <h2 id="people">People and licenses</h2>
            <PeopleSection
              people={people}
              today={today}
              onPut={(person, says) => done(() => send({ intent: 'person', put: [person], remove: [] }), says, undo)}
              onRemove={(person) =>
                void done(
                  () => send({ intent: 'person', put: [], remove: [person.id] }),
                  `${person.name} was deleted.`,
                  undo,
                )
              }
            />
          </section>
          <section aria-labelledby="defaults">
            <h2 id="defaults">Defaults</h2>
            <DefaultsSection
              defaults={defaults}
              properties={properties}
              onSave={(next: DefaultsSetting) => setting(next, 'The defaults are changed.')}
              onApply={(propertyIds, choices) =>
                void done(
                  () => send({ intent: 'apply', propertyIds, choices }),
                  `The defaults hold for ${propertyIds.length} ${propertyIds.length === 1 ? 'property' : 'properties'} now.`,
                  (answer) =>
                    answer?.undoProperties
                      ? send({ intent: 'undo-properties', changes: answer.undoProperties })
                      : Promise.resolve(undefined),
                )
              }
            />
          </section>
          <section aria-labelledby="keeping">
            <h2 id="keeping">Backup and storage</h2>
            <KeepingSection
              unsaved={unsaved}
              everyDays={everyDays}
              due={due}
              properties={properties.length}
              onBackup={backup}
              onEvery={(backupEveryDays) =>
                setting({ ...keeping, id: 'keeping', backupEveryDays }, 'The reminder is changed.')
              }
              onDeleteAll={() => void done(() => send({ intent: 'delete-all' }), 'Everything was deleted.')}
            />
          </section>
        </div>
      </main>
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Settings" />;
}
