import { useState } from 'react';
import { useNavigate } from 'react-router';
import type { Sample } from '@core/records/case';
import { sayWeekday } from '@core/words/days';
import { useKey } from '../../ui/keys';
import { saveFile } from '../../ui/save-text-file';
import { useDone } from '../../work/use-done';
import { handOver } from '../../work/handed-file';
import { usePropertyWork } from '../../work/use-property-work';
import { type UndoSent, undoOf } from '../../work/property-action';
import { useSend } from '../../work/send';
import type { Answer, Sent } from './sample-action';
import { fetchReport, handInBag } from './simulated';
import { type Column, useColumns } from './use-columns';
import { placeHash, usePlace } from '../../ui/place';

/** One depth for established turf, in. Common practice: 3 to 4. */
export const DEPTH_IN = 4;

export type SamplesState = ReturnType<typeof useSamples>;

/** The samples of a property, a column a zone, and what is done with each bag on its way to the report. */
export function useSamples() {
  const { file, today, zone: focus } = usePropertyWork();
  const columns = useColumns();
  const { send } = useSend<Sent | UndoSent, Answer>();
  const navigate = useNavigate();
  const [place] = usePlace();
  const done = useDone();
  const [says, setSays] = useState<Record<string, string>>({});
  const tell = (sent: Sent) => void done(() => send(sent));
  const change = (sample: Sample) => tell({ intent: 'change', sample });
  const print = () => {
    document.documentElement.classList.add('print-labels');
    window.print();
    document.documentElement.classList.remove('print-labels');
    tell({ intent: 'printed', ids: columns.flatMap((c) => (c.open && c.sample ? [c.sample.id] : [])), on: today });
  };
  useKey(
    'print-labels',
    print,
    [columns],
    columns.some((c) => c.open),
  );
  const start = (column: Column, plannedOn: string) =>
    tell({ intent: 'start', zoneId: column.zone.id, plannedOn, depthIn: DEPTH_IN });
  const handIn = async (column: Column, layout: Parameters<typeof handInBag>[3]) => {
    const sample = column.sample as Sample;
    const answer = await handInBag(file.fileId ?? file.property.id, column.zone, sample, layout, today);
    if (typeof answer === 'string') return setSays((all) => ({ ...all, [sample.id]: answer }));
    change({ ...sample, laboratory: 'simulated', sentOn: today, ...answer });
  };
  const readIn = (zoneId: string) =>
    void navigate({ pathname: '/reports', hash: placeHash({ property: file.property.id, zone: zoneId }) });
  const ask = async (column: Column, letDaysPass: boolean) => {
    const sample = column.sample as Sample;
    const day = letDaysPass ? (sample.expectedOn ?? today) : today;
    const answer = await fetchReport(sample.receipt ?? '', day);
    if (typeof answer === 'string') return setSays((all) => ({ ...all, [sample.id]: answer }));
    if ('notBefore' in answer)
      return setSays((all) => ({ ...all, [sample.id]: `Not ready before ${sayWeekday(answer.notBefore)}.` }));
    handOver(answer);
    readIn(sample.zoneId);
  };
  const saveReport = async (column: Column) => {
    const sample = column.sample as Sample;
    const answer = await fetchReport(sample.receipt ?? '', sample.reportedOn ?? sample.expectedOn ?? today);
    if (answer instanceof File) saveFile(answer);
  };
  const remove = (sample: Sample) => {
    void done(
      () => send({ intent: 'remove', sampleId: sample.id }),
      `Sample ${sample.code} was deleted.`,
      (answer) => send(undoOf(answer)),
    );
  };

  return {
    file,
    today,
    focus,
    focusInAddress: place.get('zone') ?? '',
    columns,
    tell,
    says,
    change,
    print,
    start,
    handIn,
    readIn,
    ask,
    saveReport,
    remove,
  };
}
