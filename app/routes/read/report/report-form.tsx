import { Button, Popconfirm } from 'antd';
import { useEffect, useState } from 'react';
import { useFetcher } from 'react-router';
import type { Method, SoilTest } from '@core/records/case';
import { BUFFER_METHODS } from '@core/lime/buffers';
import { methodName } from '@core/records/methods';
import { ChoiceField, Fault, TextField } from '../../../ui/field';
import { WhichBuffer } from '../../../ui/which-buffer';
import {
  ADVICE,
  EXTRACTANTS,
  P_METHODS,
  PH_METHODS,
  ROWS,
  SALINITY_METHODS,
  typedFromReport,
  type TypedReport,
} from './report-from-typed';
import { Unsaved } from '../../../ui/unsaved';
import { usePropertyWork } from '../../../work/use-property-work';
import { sendBy } from '../../../work/send';
import { useDraft } from '../../../work/use-draft';
import { useFollowed } from '../../../work/use-followed';
import { useUnits } from '../../../ui/format';

const methodOptions = (methods: readonly (Method | 'same')[]) =>
  methods.map((value) => ({ value, label: value === 'same' ? 'as the others' : methodName(value) }));
const UNIT_OPTIONS = [
  { value: 'ppm', label: 'ppm (mg/kg)' },
  { value: 'lb/acre', label: 'lb/acre' },
  { value: 'kg/ha', label: 'kg/ha' },
  { value: 'mg/dm3', label: 'mg/dm3' },
  { value: 'index', label: 'laboratory index' },
];

/** A report typed by hand: values alone are enough, Tab goes from one to the next. */
export function ReportForm({
  zoneId,
  test,
  today,
  onCancel,
  onKept,
}: {
  zoneId: string;
  test?: SoilTest;
  today: string;
  onCancel?: () => void;
  onKept: () => void;
}) {
  const units = useUnits();
  const { file } = usePropertyWork();
  const [typed, setTyped] = useState(() => typedFromReport(test, today, units));
  const fetcher = useFetcher<{ faults?: Record<string, string>; kept?: string }>();
  const place = `${file.property.id}/report/${zoneId}/${test?.id ?? 'new'}`;
  const text = (report: TypedReport) => JSON.stringify({ ...report, changedAt: undefined });
  const { dirty, overtaken } = useFollowed({
    record: test,
    typed: text(typed),
    shown: (record) => text(typedFromReport(record, today, units)),
    load: (record) => setTyped(typedFromReport(record, today, units)),
    adopt: ({ changedAt }) => setTyped((before) => ({ ...before, changedAt })),
  });
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const { offered, forget } = useDraft({
    place,
    typed,
    dirty,
    savedBy: answer?.kept ? answer : undefined,
    load: setTyped,
  });
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const set = (key: Exclude<keyof TypedReport, 'values' | 'advice' | 'id' | 'changedAt'>) => (value: string) =>
    setTyped((before) => ({ ...before, [key]: value }));
  const keep = () => sendBy(fetcher, { intent: 'keep', zoneId, typed });
  const kept = fetcher.state === 'idle' ? fetcher.data?.kept : undefined;
  useEffect(() => {
    if (kept) onKept();
    // only a new answer counts
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [kept]);
  return (
    <form
      className="reportform"
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
    >
      <Unsaved offered={offered} overtaken={overtaken} />
      <fieldset>
        <legend>The report</legend>
        <div className="pair">
          <TextField
            label="Sampled on"
            type="date"
            value={typed.sampledOn}
            onChange={set('sampledOn')}
            fault={faults.sampledOn}
          />
          <TextField
            label="Depth"
            unit={units.unit('depth')}
            value={typed.depth}
            onChange={set('depth')}
            fault={faults.depth}
            inputMode="decimal"
          />
        </div>
        <TextField label="Laboratory" value={typed.lab} onChange={set('lab')} fault={faults.lab} />
        <div className="pair">
          <ChoiceField
            label="Unit of the nutrients"
            placeholder="Say which"
            value={typed.unit || undefined}
            options={UNIT_OPTIONS}
            onChange={set('unit')}
            fault={faults.unit}
          />
          <ChoiceField
            label="Extractant"
            value={typed.extractant}
            options={methodOptions(EXTRACTANTS)}
            onChange={set('extractant')}
          />
          <ChoiceField
            label="Phosphorus by"
            value={typed.pMethod}
            options={methodOptions(P_METHODS)}
            onChange={set('pMethod')}
          />
          <ChoiceField
            label="pH in"
            value={typed.phMethod}
            options={methodOptions(PH_METHODS)}
            onChange={set('phMethod')}
          />
          <ChoiceField
            label="Buffer"
            placeholder="Not said yet"
            value={typed.bufferMethod || undefined}
            options={methodOptions(BUFFER_METHODS)}
            onChange={set('bufferMethod')}
          />
          <ChoiceField
            label="Salinity in"
            placeholder="Not said"
            value={typed.saltMethod || undefined}
            options={methodOptions(SALINITY_METHODS)}
            onChange={set('saltMethod')}
          />
          {(typed.unit === 'lb/acre' || typed.unit === 'kg/ha') && (
            <TextField
              label={`Depth the ${typed.unit} are for`}
              unit={`${units.unit('depth')}, ${units.said('6 2/3 in').replace(/ \S+$/, '')} if not said`}
              value={typed.basisDepth}
              onChange={set('basisDepth')}
              fault={faults.basisDepth}
              inputMode="decimal"
            />
          )}
          {typed.unit === 'mg/dm3' && (
            <TextField
              label="Weight of the scoop"
              unit="g/cm3, 1.0 if not said"
              value={typed.scoop}
              onChange={set('scoop')}
              fault={faults.scoop}
              inputMode="decimal"
            />
          )}
        </div>
        {(typed.values['buffer-pH'] ?? '').trim() !== '' && typed.bufferMethod === '' && (
          <WhichBuffer onChoose={set('bufferMethod')} fault={faults.bufferMethod} />
        )}
      </fieldset>
      <fieldset>
        <legend>Values, as printed</legend>
        <div className="values">
          {ROWS.map(({ analyte, label, unit }) => (
            <TextField
              key={analyte}
              label={label}
              unit={unit ?? (analyte === 'pH' || analyte === 'buffer-pH' ? undefined : typed.unit || undefined)}
              value={typed.values[analyte] ?? ''}
              onChange={(text) => setTyped((before) => ({ ...before, values: { ...before.values, [analyte]: text } }))}
              fault={faults[analyte]}
              inputMode="decimal"
            />
          ))}
        </div>
        <p className="small">
          Leave empty what the report does not give. A value under the laboratory’s limit is typed with its sign,
          &lt;0.5; a cation as percent of CEC with its own, 2.1%.
        </p>
      </fieldset>
      <fieldset className="advice">
        <legend>The laboratory’s own advice</legend>
        <div className="values">
          {ADVICE.map(({ key, label, quantity, of }) => (
            <TextField
              key={key}
              label={label}
              unit={units.heading(quantity, of)}
              value={typed.advice[key]}
              onChange={(text) => setTyped((before) => ({ ...before, advice: { ...before.advice, [key]: text } }))}
              fault={faults[key]}
              inputMode="decimal"
            />
          ))}
        </div>
        <p className="small">It stands beside ours in Prescribe, and is taken where ours cannot be reckoned.</p>
      </fieldset>
      <div className="actions">
        <Button type="primary" htmlType="submit" loading={fetcher.state !== 'idle'}>
          Save report
        </Button>
        {onCancel &&
          (dirty ? (
            <Popconfirm
              title="Throw away what you typed?"
              okText="Throw away"
              cancelText="Go on typing"
              onConfirm={() => {
                forget();
                onCancel();
              }}
            >
              <Button>Cancel</Button>
            </Popconfirm>
          ) : (
            <Button onClick={onCancel}>Cancel</Button>
          ))}
        {Object.keys(faults).length > 0 && <span className="small">Not saved yet: see the marked fields.</span>}
        <Fault>{faults.storage}</Fault>
      </div>
    </form>
  );
}
