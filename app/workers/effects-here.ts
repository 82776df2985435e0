import { expose } from 'comlink';
import type { Case, LocalCode, PlannedDose } from '@core/records/case';
import { codeEffect, type CodeEffect } from '@core/season/checks/code-effect';
import { judgePlan } from '@core/season/checks/judge-plan';
import { editsThatMend } from '@core/season/edit/edits-that-mend';
import { allAtOnce } from '@core/season/edit/steps';
import { stricterLines } from '@core/codes/code-lines';
import { type VerdictChange, verdictChanges } from '@core/soil/verdict-changes';
import { holdsFor, laidOver, packsHere } from '../storage/own-packs';
import { storedBytes } from '../storage/keeping';
import { listProperties, loadProperties } from '../storage/property-repository';
import type { PackRecord } from '../storage/schema';
import { propertiesUnder } from '../storage/own-codes';
import { wholeWork, type WholeWork } from '../work/property-work';

/** What a code, as it is being typed, makes of one property that carries it. */
export interface EffectHere {
  propertyId: string;
  name: string;
  year: number;
  /** Nobody kept a plan yet: its draft is made anew under whatever codes there are. */
  drafted: boolean;
  broken: CodeEffect['broken'];
  mended: CodeEffect['mended'];
  doses: CodeEffect['doses'];
  /** One edit of the kept plan that would mend the first failing check and break nothing. */
  mending?: { says: string; planId: string; doses: PlannedDose[] };
  /** Where the property is under several codes: each line, and whose holds. */
  lines: { title: string; of: { name: string; says?: string; holds: boolean }[] }[];
  /** Growth of its first zone, a share a day. */
  growth?: number[];
}

const works = new Map<string, { of: string; work: WholeWork }>();

/** The property's work, reckoned once for a version of its records. */
function workOf(file: Case, today: string, packs: Parameters<typeof wholeWork>[2]): WholeWork {
  const of = JSON.stringify([today, file]);
  const kept = works.get(file.property.id);
  if (kept?.of === of) return kept.work;
  const work = wholeWork(file, today, packs);
  works.set(file.property.id, { of, work });
  return work;
}

const nameOf = (code: LocalCode): string => code.name ?? code.id;

function effectOn(work: WholeWork, code: LocalCode): EffectHere {
  const { file, plan, season, draft } = work;
  const codes = (file.codes ?? []).map((each) => (each.id === code.id ? code : each));
  const effect = codeEffect(file, season, codes);
  const under: Case = { ...file, codes };
  const failing = effect.broken.find((check) => check.standing === 'fail' && check.zoneId !== undefined);
  const doses = plan?.doses;
  const [edit] =
    failing && plan && doses ? allAtOnce(editsThatMend(under, draft, doses, judgePlan(under, season), failing)) : [];
  return {
    propertyId: file.property.id,
    name: file.property.name,
    year: work.year,
    drafted: doses === undefined,
    broken: effect.broken,
    mended: effect.mended,
    doses: effect.doses,
    ...(edit && plan ? { mending: { says: edit.says, planId: plan.id, doses: edit.doses } } : {}),
    lines:
      codes.length > 1
        ? stricterLines(codes).map(({ line, of }) => ({
            title: line.title,
            of: of.map((each) => ({ name: nameOf(each.code), says: each.says, holds: each.holds })),
          }))
        : [],
    growth: season.zones[0]?.season && [...season.zones[0].season.growth],
  };
}

/** Verdicts of one property that other packs would change. */
export interface VerdictsHere {
  propertyId: string;
  name: string;
  changes: VerdictChange[];
}

/** Properties read at once while packs are compared: a few at a time keep little in memory. */
const AT_ONCE = 20;

/** What a change of codes or packs makes of all properties, off the page's thread; ending the worker is the stop. */
const effects = {
  here: (): true => true,
  /** What a code makes of every property that carries it; the one that breaks most first. */
  async ofCode(code: LocalCode, today: string): Promise<EffectHere[]> {
    const under = await propertiesUnder(code.id);
    const files = await loadProperties(under.map(({ id }) => id));
    const fails = ({ broken }: EffectHere) => broken.filter((check) => check.standing === 'fail').length;
    const effects: EffectHere[] = [];
    for (const file of files) effects.push(effectOn(workOf(file, today, await packsHere(file.property.id)), code));
    return effects.sort(
      (a, b) => fails(b) - fails(a) || b.broken.length - a.broken.length || (a.name < b.name ? -1 : 1),
    );
  },
  /** Verdicts that would change were these the own packs, property by property; those without a change are left out. */
  async ofPacks(packs: PackRecord[], today: string): Promise<VerdictsHere[]> {
    const found: VerdictsHere[] = [];
    const ids = (await listProperties()).map(({ id }) => id);
    for (let at = 0; at < ids.length; at += AT_ONCE)
      for (const file of await loadProperties(ids.slice(at, at + AT_ONCE))) {
        const { id, name } = file.property;
        const changes = verdictChanges(
          file,
          await packsHere(id),
          laidOver(packs.filter((pack) => holdsFor(pack, id))),
          today,
        );
        if (changes.length > 0) found.push({ propertyId: id, name, changes });
      }
    return found;
  },
  /** What is stored, by what it is. */
  storedBytes,
};
export type EffectsWorker = typeof effects;
expose(effects);
