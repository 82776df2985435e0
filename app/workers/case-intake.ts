import { expose } from 'comlink';
import type { Case } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { areaDoubtSays, areaDoubts } from '@core/files/check-ground';
import { isToBeAsked } from '@core/files/compare-cases';
import { readImport } from '../storage/case-files';
import { ChangedMeanwhile } from '../storage/changes';
import { type OwnRecords, type OwnStanding, type OwnUndo, restoreOwn, surveyOwn, undoOwn } from '../storage/own-backup';
import {
  type Decisions,
  decisionKey,
  restoreCases,
  type RestoreUndo,
  surveyCases,
  type Surveyed,
  undoRestore,
} from '../storage/restore';
import { storageFault } from '../storage/storage-fault';

/** A record that a person is asked about. */
export type Asked = Surveyed['brought'][number] & { key: string; property: string };
export interface Survey {
  backup: boolean;
  /** Areas that their drawings contradict, in sentences: which is right is asked before anything else. */
  areas: string[];
  names: string[];
  /** How many records are the same, and how many are not here. */
  same: number;
  fresh: number;
  asked: Asked[];
  /** Own codes, packs, people and settings of a backup: what is newer gives the older its place. */
  own?: OwnStanding;
}
interface Fault {
  fault: string;
}

let file: { cases: Case[]; backup: boolean; own?: OwnRecords } | undefined;
let surveyed: Surveyed[] = [];
let undo: RestoreUndo | undefined;
let undoOwns: OwnUndo | undefined;

const faulty = (fault: unknown): Fault => ({
  fault:
    fault instanceof ChangedMeanwhile
      ? `${fault.message} Nothing was changed: choose the file again to see how it stands now.`
      : (storageFault(fault) ?? 'The file could not be stored. Nothing was changed; try again.'),
});

const NO_FILE: Fault = { fault: 'There is no file to store: choose it again.' };

/** How the file stands to what is here. */
async function look(): Promise<Survey | Fault> {
  if (!file) return NO_FILE;
  const { cases, backup } = file;
  try {
    surveyed = await surveyCases(cases);
  } catch (fault) {
    return faulty(fault);
  }
  const products = new Set<string>();
  const asked: Asked[] = [];
  const own = file.own && (await surveyOwn(file.own));
  const counts = { same: own?.same ?? 0, fresh: own?.fresh ?? 0 };
  for (const { fileId, name, brought } of surveyed)
    for (const each of brought) {
      const key = decisionKey(fileId, each);
      // one product of the one shelf, however many properties bring it
      if (each.kind === 'products' && products.size === products.add(key).size) continue;
      if (each.standing === 'same') counts.same++;
      if (each.standing === 'new') counts.fresh++;
      if (isToBeAsked(each, backup)) asked.push({ ...each, key, property: name });
    }
  return {
    backup,
    areas: backup ? [] : cases.flatMap((given) => areaDoubts(given).map(areaDoubtSays)),
    names: surveyed.map(({ name }) => name),
    ...counts,
    ...(own ? { own } : {}),
    asked,
  };
}

/** Reads a case file or a backup, shows how it stands to what is here, and stores it, off the page's thread. */
const intake = {
  here: (): true => true,

  async survey(source: string): Promise<Survey | Fault> {
    const read = readImport(source);
    if (isRefusal(read))
      return { fault: `${read.refused}${read.field ? ` (at ${read.field})` : ''} Nothing was changed.` };
    file = read;
    return look();
  },

  /** Takes the areas that the drawings give in place of those the file says, or leaves them, and looks again. */
  async settleAreas(by: 'file' | 'drawing'): Promise<Survey | Fault> {
    if (!file) return NO_FILE;
    if (by === 'drawing')
      file.cases = file.cases.map((given) => {
        const drawn = new Map(areaDoubts(given).map((doubt) => [doubt.zoneId, doubt.drawnSqFt]));
        return {
          ...given,
          zones: given.zones.map((zone) => ({ ...zone, areaSqFt: drawn.get(zone.id) ?? zone.areaSqFt })),
        };
      });
    const answer = await look();
    return 'fault' in answer ? answer : { ...answer, areas: [] };
  },
  async store(decisions: Decisions): Promise<{ names: string[]; written: number } | Fault> {
    if (!file) return NO_FILE;
    try {
      const restored = await restoreCases(file.cases, { backup: file.backup, decisions, surveyed });
      undo = restored.undo;
      const own = file.own && (await restoreOwn(file.own));
      undoOwns = own?.undo;
      return {
        names: restored.properties.map(({ name }) => name),
        written: restored.written + (own?.written ?? 0),
      };
    } catch (fault) {
      return faulty(fault);
    }
  },

  async undo(): Promise<Record<string, never> | Fault> {
    try {
      if (undo) await undoRestore(undo);
      if (undoOwns) await undoOwn(undoOwns);
      undo = undefined;
      undoOwns = undefined;
      return {};
    } catch (fault) {
      return faulty(fault);
    }
  },
};

export type CaseIntake = typeof intake;
expose(intake);
