import { useEffect, useMemo, useRef, useState } from 'react';
import { TableReader, type TableReading } from '@core/files/report-table';
import { refuseSize } from '@core/files/largest-file';
import { isRefusal } from '@core/reckoning/refusal';
import { type intakeTargets, rememberedLayout } from '../../storage/report-intake';
import { saveTextFile } from '../../ui/save-text-file';
import { takeHanded } from '../../work/handed-file';
import type { Intake, Opened, ReadSummary } from '../../workers/table-intake';
import { WorkerGone } from '../../workers/worker-link';
import { telling, useIntake } from './use-intake';

const gone = (fault: unknown): string | undefined => (fault instanceof WorkerGone ? fault.message : undefined);

/** Kept while a file is being read, so that a reload in the middle can be told apart from a fresh visit. */
const UNDER_WAY = 'ubertas-import-under-way';

export type Stage =
  | { at: 'choose'; fault?: string }
  | { at: 'opening'; name: string }
  | { at: 'map'; file: string; opened: Opened; reading: TableReading; remembered: boolean }
  | { at: 'reading' | 'storing'; share: number; from: Mapped }
  | { at: 'read'; from: Mapped; summary: ReadSummary; fault?: string }
  | { at: 'done'; stored: number; zones: { propertyId: string; zoneId: string }[] };
export type Mapped = Extract<Stage, { at: 'map' }>;
type Assigned = Intake['assigned'];

/** What reading the first rows gives: the sentence that says what will happen before it does. */
export function useTrial({ opened, reading }: Mapped) {
  return useMemo(() => {
    const reader = new TableReader(reading);
    opened.rows.slice(reading.headerRow + 1).forEach((row, i) => reader.take(row, reading.headerRow + 2 + i));
    reader.finish();
    return { samples: reader.samples, rejected: reader.rejected };
  }, [opened, reading]);
}

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

/** Reading a laboratory's table, stage by stage: choose, map, look, and only then store. */
export function useImportReports(
  targets: Awaited<ReturnType<typeof intakeTargets>>,
  today: string,
  propertyId: string | undefined,
) {
  const [stage, setStage] = useState<Stage>({ at: 'choose' });
  const [assigned, setAssigned] = useState<Assigned>({});
  const [interrupted, setInterrupted] = useState(false);
  const intake = useIntake();
  const choose = (fault?: string) => setStage({ at: 'choose', fault });

  const open = async (file: File) => {
    setAssigned({});
    const size = refuseSize(file.name, file.size, 'table');
    if (size) return choose(size.refused);
    setStage({ at: 'opening', name: file.name });
    let opened: Opened;
    try {
      opened = await intake.start().call((remote) => remote.open(file));
    } catch (fault) {
      return choose(gone(fault) ?? `${file.name} could not be read. Choose it again.`);
    }
    if (isRefusal(opened.guess)) return choose(`${file.name}: ${opened.guess.refused}`);
    const before = await rememberedLayout(opened.print);
    // the day and the place in the file belong to one report, not to the laboratory
    const { headerRow, sampledOn, depth } = opened.guess;
    const reading = before
      ? { ...before.reading, headerRow, sampledOn, depth: depth || before.reading.depth }
      : opened.guess;
    setStage({ at: 'map', file: file.name, opened, reading, remembered: before !== undefined });
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

  const progress = (at: 'reading' | 'storing') =>
    telling((share) => setStage((now) => (now.at === at ? { ...now, share } : now)));
  const read = async (from: Mapped, by: Assigned = assigned) => {
    setStage({ at: 'reading', share: 0, from });
    try {
      const summary = await intake
        .current()
        ?.call((remote) => remote.read(from.reading, { ...targets, propertyId, assigned: by }, progress('reading')));
      if (summary) setStage((now) => (now.at === 'reading' ? { at: 'read', from, summary } : now));
    } catch (fault) {
      choose(gone(fault) ?? 'Reading the file failed. Nothing was stored; choose it again.');
    }
  };
  return {
    stage,
    interrupted,
    open,
    choose,
    remap: (from: Mapped, part: Partial<TableReading> = {}) =>
      setStage({ ...from, reading: { ...from.reading, ...part } }),
    read,
    assign: (from: Mapped, sample: string, to: Assigned[string]) => {
      const next = { ...assigned, [sample]: to };
      setAssigned(next);
      void read(from, next);
    },
    store: async (from: Mapped, summary: ReadSummary) => {
      setStage({ at: 'storing', share: 0, from });
      const layout = { fingerprint: from.opened.print, reading: from.reading };
      const answer = await intake
        .current()
        ?.call((remote) => remote.store(layout, today, progress('storing')))
        .catch((fault: unknown) => ({
          fault: gone(fault) ?? 'The reports could not be stored. Nothing was changed; try again.',
        }));
      if (!answer) return;
      if ('fault' in answer) return setStage({ at: 'read', from, summary, fault: answer.fault });
      setStage({ at: 'done', stored: answer.stored, zones: summary.shown });
      intake.end();
    },
    cancel: () => {
      intake.end();
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
