import { BUFFER_METHODS } from '@core/lime/buffers';
import { type Method, UNITS } from '@core/records/case';
import { methodName, methodsOf } from '@core/records/methods';
import { needsBuffer, type TableReading } from '@core/files/report-table';
import { ChoiceField, optionsOf, TextField } from '../../ui/field';
import { WhichBuffer } from '../../ui/which-buffer';

const named = (methods: readonly Method[]) => methods.map((value) => ({ value, label: methodName(value) }));
const unsaid = { value: '', label: 'as the file says' };

/** What holds for every sample of the file, where the table itself does not say it. */
export function ReadingForm({
  reading,
  onChange,
}: {
  reading: TableReading;
  onChange: (part: Partial<TableReading>) => void;
}) {
  const choice = <K extends keyof TableReading>(key: K, label: string, options: { value: string; label: string }[]) => (
    <ChoiceField
      label={label}
      value={reading[key] as string}
      options={options}
      onChange={(value) => onChange({ [key]: value })}
    />
  );
  return (
    <div className="readingform">
      <h2>What holds for the whole file</h2>
      <div className="pair">
        {choice('decimal', 'Numbers are written', [
          { value: '.', label: '5.6 and 1,250' },
          { value: ',', label: '5,6 and 1.250' },
        ])}
        {choice('dayOrder', 'Days are written', [
          { value: 'month-first', label: 'month first, 3/28' },
          { value: 'day-first', label: 'day first, 28/3' },
        ])}
        {choice('unit', 'Unit where none is said', [unsaid, ...optionsOf(UNITS)])}
        {choice('method', 'Extractant where none is said', [unsaid, ...named(methodsOf('nutrients'))])}
        {choice('phMethod', 'pH in', [{ value: '', label: 'water, 1:1' }, ...named(methodsOf('pH'))])}
        {choice('bufferMethod', 'Buffer', [{ value: '', label: 'not said' }, ...named(BUFFER_METHODS)])}
        <TextField
          label="Depth"
          unit="where none is said"
          value={reading.depth}
          onChange={(depth) => onChange({ depth })}
        />
        <TextField
          label="Sampled on"
          unit="where none is said"
          type="date"
          value={reading.sampledOn}
          onChange={(sampledOn) => onChange({ sampledOn })}
        />
      </div>
      {needsBuffer(reading) && <WhichBuffer onChoose={(bufferMethod) => onChange({ bufferMethod })} />}
      <TextField label="Laboratory" value={reading.lab} onChange={(lab) => onChange({ lab })} />
    </div>
  );
}
