import { useState } from 'react';
import type { Decision } from '@core/files/compare-cases';
import { isRefusal } from '@core/reckoning/refusal';
import { useDone } from '../../work/use-done';
import { readFileText } from '../../workers/read-file-text';
import type { Survey } from '../../workers/case-intake';
import { settleAreasOfFile, surveyFile } from './case-import';

/** What a stored file brought: the names of its properties, and how many records were written. */
export interface ImportAnswer {
  imported?: { names: string[]; written: number };
}
export type ImportSent = { intent: 'import'; decisions: Record<string, Decision> } | { intent: 'undo-import' };

/** A case file or backup on its way in: read, asked about where it is not what stands here, stored, and taken back. */
export function useCaseImport(send: (sent: ImportSent) => Promise<ImportAnswer | undefined>) {
  const done = useDone();
  const [fileFault, setFileFault] = useState<string>();
  const [survey, setSurvey] = useState<Survey>();
  const [opened, setOpened] = useState<ImportAnswer['imported']>();
  const choose = async (file: File) => {
    setFileFault(undefined);
    setOpened(undefined);
    const source = await readFileText(file);
    if (isRefusal(source)) return setFileFault(source.refused);
    const found = await surveyFile(source);
    if ('fault' in found) return setFileFault(found.fault);
    await goOn(found);
  };
  const goOn = async (found: Survey) => {
    if (found.areas.length > 0 || found.asked.length > 0) setSurvey(found);
    else await store({});
  };
  const settleAreas = async (by: 'file' | 'drawing') => {
    setSurvey(undefined);
    const found = await settleAreasOfFile(by);
    if ('fault' in found) setFileFault(found.fault);
    else await goOn(found);
  };
  const store = async (decisions: Record<string, Decision>) => {
    setSurvey(undefined);
    await done(
      async () => {
        const answer = await send({ intent: 'import', decisions });
        setOpened(answer?.imported);
        return answer;
      },
      (answer) => (answer?.imported?.written ? 'The file was imported.' : undefined),
      () => {
        setOpened(undefined);
        return send({ intent: 'undo-import' });
      },
    );
  };
  return { fileFault, setFileFault, survey, opened, choose, settleAreas, store, cancel: () => setSurvey(undefined) };
}
