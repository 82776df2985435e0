import { Input, Select } from 'antd';
import { type ReactNode } from 'react';
import { BUFFER_METHODS } from '@core/lime/buffers';
import type { ReaderAnswers } from '@core/reports/reading';
import { methodName, methodsOf } from '@core/records/methods';
import { type Method, UNITS } from '@core/records/vocabularies';
import { sayDate } from '@core/words/days';
import type { ReadSummary } from '../../workers/report-intake';

const named = (methods: readonly Method[]) => methods.map((value) => ({ value, label: methodName(value) }));
const NOT_SAID = { value: '', label: 'not said' };

/** What holds for the whole file, with what decides it; each can be said otherwise. */
export function FileFactsForm({
  summary,
  answers,
  onSay,
}: {
  summary: ReadSummary;
  answers: ReaderAnswers;
  onSay: (part: Partial<ReaderAnswers>) => void;
}) {
  const { facts } = summary;
  const choice = <K extends 'decimal' | 'dayOrder' | 'unit' | 'method' | 'bufferMethod' | 'phMethod'>(
    key: K,
    label: string,
    value: string,
    options: { value: string; label: string }[],
  ) => (
    <Select
      size="small"
      variant="borderless"
      aria-label={label}
      value={value}
      options={options}
      popupMatchSelectWidth={false}
      virtual={false}
      onChange={(to: string) => onSay({ [key]: to || undefined })}
    />
  );
  const row = (label: string, control: ReactNode, because?: string) => (
    <div>
      <dt>{label}</dt>
      <dd>
        {control}
        {because && <i>{because}</i>}
      </dd>
    </div>
  );
  return (
    <dl className="filefacts">
      {row(
        'Laboratory',
        <Input
          size="small"
          variant="borderless"
          aria-label="Laboratory"
          key={facts.lab?.value ?? ''}
          defaultValue={facts.lab?.value ?? ''}
          placeholder="not named"
          onBlur={(event) => event.target.value !== (facts.lab?.value ?? '') && onSay({ lab: event.target.value })}
        />,
      )}
      {row('Layout', <span className="plain">{facts.layout}</span>)}
      {row(
        'Sampled',
        <Input
          size="small"
          variant="borderless"
          type="date"
          aria-label="Sampled on, for all"
          key={`day${answers.sampledOn ?? facts.sampledOn?.value ?? ''}`}
          defaultValue={answers.sampledOn ?? facts.sampledOn?.value ?? ''}
          onBlur={(event) =>
            event.target.value !== (answers.sampledOn ?? facts.sampledOn?.value ?? '') &&
            onSay({ sampledOn: event.target.value || undefined })
          }
        />,
        facts.sampledOn
          ? facts.dayOrder.because
          : summary.shown[0]?.sampledOn
            ? `${sayDate(summary.shown[0].sampledOn)} by column; ${facts.dayOrder.because}`
            : facts.receivedOn
              ? `received ${sayDate(facts.receivedOn.value)}`
              : undefined,
      )}
      {row(
        'Days',
        choice('dayOrder', 'Order of days', facts.dayOrder.value, [
          { value: 'month-first', label: 'month first' },
          { value: 'day-first', label: 'day first' },
        ]),
      )}
      {row(
        'Decimals',
        choice('decimal', 'Decimal mark', facts.decimal.value, [
          { value: '.', label: 'point' },
          { value: ',', label: 'comma' },
        ]),
        facts.decimal.because,
      )}
      {row(
        'Depth',
        <Input
          size="small"
          variant="borderless"
          aria-label="Depth, for all"
          key={`depth${facts.depth?.value ?? ''}`}
          defaultValue={facts.depth?.value ?? ''}
          placeholder={summary.shown[0]?.depthIn === undefined ? 'not said' : 'by sample'}
          onBlur={(event) => event.target.value !== (facts.depth?.value ?? '') && onSay({ depth: event.target.value })}
        />,
      )}
      {row(
        'Unit',
        choice('unit', 'Unit where none is said', facts.unit?.value ?? '', [
          { value: '', label: 'by label' },
          ...UNITS.map((value) => ({ value, label: value })),
        ]),
        facts.unit?.because,
      )}
      {row(
        'Extractant',
        choice('method', 'Extractant where none is said', facts.method?.value ?? '', [
          { value: '', label: 'by label' },
          ...named(methodsOf('nutrients')),
        ]),
        facts.method?.because,
      )}
      {row(
        'pH in',
        choice('phMethod', 'pH in', facts.phMethod?.value ?? '', [
          { value: '', label: 'water, or by label' },
          ...named(methodsOf('pH')),
        ]),
      )}
      {row(
        'Buffer',
        choice('bufferMethod', 'Buffer', facts.bufferMethod?.value ?? '', [NOT_SAID, ...named(BUFFER_METHODS)]),
        facts.bufferMethod?.because,
      )}
    </dl>
  );
}
