import { Button, Modal } from 'antd';
import { useState } from 'react';
import { answersFrom, layoutFileOf } from '@core/reports/layout-file';
import { parseJson } from '@core/files/case-file';
import { isRefusal } from '@core/reckoning/refusal';
import type { ReaderAnswers } from '@core/reports/reading';
import { plain } from '@core/words/plain';
import { rememberedLayouts, rememberLayout } from '../../storage/report-intake';
import type { LabLayoutRecord } from '../../storage/schema';
import { Fault } from '../../ui/field';
import { FilePicker } from '../../ui/file-picker';
import { saveTextFile } from '../../ui/save-text-file';
import { MEANINGS } from './meanings';

const WORDS: Partial<Record<keyof ReaderAnswers, string>> = {
  decimal: 'decimal mark',
  dayOrder: 'order of days',
  unit: 'unit',
  method: 'extractant',
  bufferMethod: 'buffer',
  phMethod: 'pH in',
  lab: 'laboratory',
};

/** Answers one by one, each with what it takes to forget it. */
function linesOf(answers: ReaderAnswers): { says: string; without: ReaderAnswers }[] {
  const { terms = {}, ...rest } = answers;
  return [
    ...Object.entries(terms).map(([label, { as, unit, method }]) => {
      const { [label]: _, ...others } = terms;
      const { terms: __, ...bare } = answers;
      return {
        says: `“${label}” is ${MEANINGS.find(({ value }) => value === as)?.label ?? as}${[unit, method]
          .filter(Boolean)
          .map((each) => `, ${each}`)
          .join('')}`,
        without: Object.keys(others).length > 0 ? { ...answers, terms: others } : bare,
      };
    }),
    ...(Object.keys(rest) as (keyof typeof rest)[]).map((key) => {
      const { [key]: _, ...without } = answers;
      return { says: `${WORDS[key] ?? key}: ${String(answers[key])}`, without };
    }),
  ];
}

/** What is remembered of laboratories' files: seen, edited, exported, imported. */
export function Remembered({ count, onChanged }: { count: number; onChanged?: () => void }) {
  const [records, setRecords] = useState<LabLayoutRecord[] | undefined>();
  const [fault, setFault] = useState<string>();
  const load = async () => setRecords(await rememberedLayouts());
  const keep = async (record: Omit<LabLayoutRecord, 'usedAt'>) => {
    await rememberLayout(record);
    await load();
    onChanged?.();
  };
  const take = async (file: File) => {
    const json = parseJson(await file.text(), file.name);
    if (isRefusal(json)) return setFault(json.refused);
    const answers = answersFrom(json.json);
    if (isRefusal(answers)) return setFault(answers.refused);
    setFault(undefined);
    const name = answers.lab ?? file.name.replace(/\.json$/, '');
    await keep({ fingerprint: `laboratory:${plain(name)}`, name, answers });
  };
  return (
    <>
      <p className="small">
        {count} {count === 1 ? 'answer' : 'answers'} for this laboratory.{' '}
        <Button size="small" type="link" onClick={() => void load()}>
          Remembered readings
        </Button>
      </p>
      <Modal
        title="Remembered readings"
        open={records !== undefined}
        onCancel={() => setRecords(undefined)}
        footer={<Button onClick={() => setRecords(undefined)}>Close</Button>}
      >
        {records?.length === 0 && (
          <p>Nothing is remembered yet. What you say of a laboratory’s file is kept when its reports are saved.</p>
        )}
        {records?.map((record) => (
          <section key={record.fingerprint} className="remembered">
            <h3>{record.name}</h3>
            <ul className="lines">
              {linesOf(record.answers).map(({ says, without }) => (
                <li key={says}>
                  <span>{says}</span>
                  <Button size="small" onClick={() => void keep({ ...record, answers: without })}>
                    Delete
                  </Button>
                </li>
              ))}
            </ul>
            <Button
              size="small"
              onClick={() =>
                saveTextFile(
                  `reading-${plain(record.name).replace(/[^a-z0-9]+/g, '-')}.json`,
                  JSON.stringify(layoutFileOf({ lab: record.name, ...record.answers }), null, 2),
                  'application/json',
                )
              }
            >
              Export
            </Button>
          </section>
        ))}
        <FilePicker label="Layout file" accept=".json,application/json" onFile={(file) => void take(file)}>
          Import
        </FilePicker>
        <Fault>{fault}</Fault>
      </Modal>
    </>
  );
}
