import { expose } from 'comlink';
import type { Case, LocalCode, PlannedDose } from '@core/records/case';
import { codeEffect, type CodeEffect } from '@core/season/checks/code-effect';
import { judgePlan } from '@core/season/checks/judge-plan';
import { editsThatMend } from '@core/season/edit/edits-that-mend';
import { allAtOnce } from '@core/season/edit/steps';
import { stricterLines } from '@core/codes/code-lines';
import { loadProperties } from '../storage/property-repository';
import { packsHere } from '../storage/own-packs';
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

/** Judges the plans of all properties under a code, off the page's thread; ending the worker is the stop. */
const effects = {
  here: (): true => true,
  /** What a code makes of every property that carries it; the one that breaks most first. */
  async of(code: LocalCode, today: string): Promise<EffectHere[]> {
    const under = await propertiesUnder(code.id);
    const [files, packs] = await Promise.all([loadProperties(under.map(({ id }) => id)), packsHere()]);
    const fails = ({ broken }: EffectHere) => broken.filter((check) => check.standing === 'fail').length;
    return files
      .map((file) => effectOn(workOf(file, today, packs), code))
      .sort((a, b) => fails(b) - fails(a) || b.broken.length - a.broken.length || (a.name < b.name ? -1 : 1));
  },
};
export type CodeEffects = typeof effects;
expose(effects);
