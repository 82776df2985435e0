import { proxy } from 'comlink';
import { useEffect, useRef, useState } from 'react';
import { refuseSize } from '@core/files/largest-file';
import { isRefusal } from '@core/reckoning/refusal';
import { placeKey, type ReaderAnswers, type TermAnswer } from '@core/reports/reading';
import { type intakeTargets, rememberedLayout } from '../../storage/report-intake';
import type { LabLayoutRecord } from '../../storage/schema';
import { saveTextFile } from '../../ui/save-text-file';
import { takeHanded } from '../../work/handed-file';
import type { Intake, Opened, ReadSummary, ReportIntake } from '../../workers/report-intake';
import { type Link, linkWorker, WorkerGone } from '../../workers/worker-link';

/** Kept while a file is being read, so that a reload in the middle can be told apart from a fresh visit. */
const UNDER_WAY = 'ubertas-import-under-way';

export interface OpenReport {
  name: string;
  opened: Opened;
  /** What was said of this laboratory's files before. */
  remembered?: LabLayoutRecord;
}
export type Stage =
  | { at: 'choose'; fault?: string }
  | { at: 'opening'; name: string; doing?: string }
  | { at: 'no-text'; name: string; says: string }
  | { at: 'reading' | 'storing'; share: number; open: OpenReport }
  | { at: 'read'; open: OpenReport; summary: ReadSummary; busy?: boolean; fault?: string }
  | { at: 'done'; stored: number; first?: { propertyId: string; zoneId: string }; name: string };
type Assigned = Intake['assigned'];

const goneSays = (fault: unknown): string | undefined => (fault instanceof WorkerGone ? fault.message : undefined);

/** Warns before the page is left in the middle, and tells after a reload that an import was cut short. */
function useUnderWay(busy: boolean): void {
  useEffect(() => {
    if (!busy) return;
    sessionStorage.setItem(UNDER_WAY, 'yes');
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      sessionStorage.removeItem(UNDER_WAY);
    };
  }, [busy]);
}

/** The worker of a report: started for a file, ended when the person cancels, chooses another or leaves. */
function useIntake() {
  const running = useRef<Link<ReportIntake>>(undefined);
  const end = () => {
    running.current?.end();
    running.current = undefined;
  };
  useEffect(() => end, []);
  return {
    start: () => {
      end();
      running.current = linkWorker<ReportIntake>(
        () => new Worker(new URL('../../workers/report-intake.ts', import.meta.url), { type: 'module' }),
      );
      return running.current;
    },
    current: () => running.current,
    end,
  };
}

/** What a person said, without what belongs to one file alone. */
const lasting = ({ values: _, sampledOn: __, depth: ___, kind: ____, ...answers }: ReaderAnswers): ReaderAnswers =>
  answers;

/** Reading a laboratory's report, stage by stage: choose, look, answer, and only then store. */
export function useReport(
  targets: Awaited<ReturnType<typeof intakeTargets>>,
  today: string,
  propertyId: string | undefined,
) {
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [answers, setAnswers] = useState<ReaderAnswers>({});
  const [settled, setSettled] = useState<ReadonlySet<string>>(new Set());
  const [assigned, setAssigned] = useState<Assigned>({});
  const [queue, setQueue] = useState<File[]>([]);
  const [interrupted, setInterrupted] = useState(false);
  const intake = useIntake();
  const where = (by: Assigned): Intake => ({ ...targets, propertyId, today, assigned: by });
  const choose = (fault?: string) => setStage({ at: 'choose', ...(fault ? { fault } : {}) });

  const open = async (given: File | { text: string; name: string }) => {
    setAssigned({});
    setSettled(new Set());
    const { name } = given;
    if (given instanceof File) {
      const size = refuseSize(name, given.size, 'table');
      if (size) return choose(size.refused);
    }
    setStage({ at: 'opening', name });
    try {
      const telling = proxy((doing: string) => setStage((now) => (now.at === 'opening' ? { ...now, doing } : now)));
      const opened = await intake.start().call((remote) => remote.open(given, telling));
      if (isRefusal(opened)) {
        if (opened.field === 'text') return setStage({ at: 'no-text', name, says: opened.refused });
        return choose(`${name}: ${opened.refused}`);
      }
      const remembered = await rememberedLayout(opened.fingerprints);
      const before = remembered?.answers ?? {};
      setAnswers(before);
      await read({ name, opened, ...(remembered ? { remembered } : {}) }, before, {});
    } catch (fault) {
      choose(goneSays(fault) ?? `${name} could not be read. Choose it again.`);
    }
  };
  const progress = (at: 'reading' | 'storing') =>
    proxy((share: number) => setStage((now) => (now.at === at ? { ...now, share } : now)));
  const read = async (from: OpenReport, by: ReaderAnswers, to: Assigned) => {
    setStage((now) => (now.at === 'read' ? { ...now, busy: true } : { at: 'reading', share: 0, open: from }));
    try {
      const summary = await intake.current()?.call((remote) => remote.read(by, where(to), progress('reading')));
      if (!summary) return;
      if (isRefusal(summary)) return choose(`${from.name}: ${summary.refused}`);
      setStage((now) => (now.at === 'reading' || now.at === 'read' ? { at: 'read', open: from, summary } : now));
    } catch (fault) {
      choose(goneSays(fault) ?? 'Reading the file failed. Nothing was stored; choose it again.');
    }
  };
  const opening = useRef(open);
  useEffect(() => {
    opening.current = open;
  });
  useEffect(() => {
    const handed = takeHanded();
    // a file from the simulated laboratory, or the news that a reload cut an import short
    const timer = setTimeout(() => {
      setInterrupted(sessionStorage.getItem(UNDER_WAY) !== null);
      sessionStorage.removeItem(UNDER_WAY);
      if (handed) void opening.current(handed);
    }, 0);
    return () => clearTimeout(timer);
  }, []);
  useUnderWay(stage.at !== 'choose' && stage.at !== 'done');

  const say = (part: Partial<ReaderAnswers>) => {
    if (stage.at !== 'read') return;
    const next = Object.fromEntries(
      Object.entries({ ...answers, ...part }).filter(([, value]) => value !== undefined && value !== ''),
    ) as ReaderAnswers;
    setAnswers(next);
    void read(stage.open, next, assigned);
  };
  const show = async (from: number) => {
    if (stage.at !== 'read') return;
    const summary = await intake.current()?.call((remote) => remote.show(from));
    if (summary) setStage((now) => (now.at === 'read' ? { ...now, summary } : now));
  };
  return {
    stage,
    answers,
    settled,
    interrupted,
    queue,
    openAll: (files: readonly File[]) => {
      const [first, ...rest] = files;
      setQueue(rest);
      if (first) void open(first);
    },
    openText: (text: string, name = 'pasted text') => void open({ text, name }),
    next: () => {
      const [first, ...rest] = queue;
      setQueue(rest);
      if (first) void open(first);
      else choose();
    },
    choose: () => choose(),
    /** Lets the file go without a word: what was read of it goes on elsewhere. */
    leave: () => {
      intake.end();
      sessionStorage.removeItem(UNDER_WAY);
      choose();
    },
    say,
    sayTerm: (label: string, answer: TermAnswer | undefined) => {
      const { [label]: _, ...rest } = answers.terms ?? {};
      say({ terms: answer ? { ...rest, [label]: answer } : rest });
    },
    /** Answers what was asked of a value: another number, none, or as it is printed. */
    sayValue: (place: { page: number; line: number; from: number }, value: number | null | 'as-printed') => {
      const key = placeKey(place);
      setSettled((now) => new Set([...now, key]));
      if (value !== 'as-printed') say({ values: { ...answers.values, [key]: value } });
    },
    settle: (key: string) => setSettled((now) => new Set([...now, key])),
    show,
    lines: async (page: number, from: number) =>
      (await intake.current()?.call((remote) => remote.lines(page, from))) ?? [],
    picture: async (page: number, width: number) => intake.current()?.call((remote) => remote.picture(page, width)),
    water: async (at: number) => intake.current()?.call((remote) => remote.water(at)),
    assign: async (sample: string, to: Assigned[string]) => {
      const next = { ...assigned, [sample]: to };
      setAssigned(next);
      if (stage.at !== 'read') return;
      const summary = await intake.current()?.call((remote) => remote.match(where(next), stage.summary.from));
      if (summary) setStage((now) => (now.at === 'read' ? { ...now, summary } : now));
    },
    store: async () => {
      if (stage.at !== 'read') return;
      const { open: from, summary } = stage;
      setStage({ at: 'storing', share: 0, open: from });
      const [fingerprint = `file:${from.name}`] = from.remembered
        ? [from.remembered.fingerprint]
        : from.opened.fingerprints;
      const remembered = {
        fingerprint,
        name: summary.facts.lab?.value ?? from.remembered?.name ?? from.name,
        answers: lasting(answers),
      };
      const answer = await intake
        .current()
        ?.call((remote) => remote.store(remembered, today, progress('storing')))
        .catch((fault: unknown) => ({
          fault: goneSays(fault) ?? 'The reports could not be stored. Nothing was changed; try again.',
        }));
      if (!answer) return;
      if ('fault' in answer) return setStage({ at: 'read', open: from, summary, fault: answer.fault });
      setStage({
        at: 'done',
        stored: answer.stored,
        name: from.name,
        ...(answer.first ? { first: answer.first } : {}),
      });
      intake.end();
    },
    cancel: () => {
      intake.end();
      setQueue([]);
      choose('Cancelled. Nothing was stored.');
    },
    saveRejected: async () =>
      saveTextFile(
        'lines-not-read.csv',
        (await intake.current()?.call((remote) => remote.rejectedCsv())) ?? '',
        'text/csv',
      ),
  };
}
export type ReportReader = ReturnType<typeof useReport>;
