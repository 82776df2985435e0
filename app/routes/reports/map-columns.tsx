import { Button } from 'antd';
import type { TableReading } from '@core/files/report-table';
import { sayDate } from '@core/words/days';
import { significant, trimmed } from '@core/words/numbers';
import { ColumnTable } from './column-table';
import { ReadingForm } from './reading-form';
import { type Mapped, useTrial } from './use-import-reports';

interface MapColumnsProps {
  mapped: Mapped;
  onChange: (part: Partial<TableReading>) => void;
  onRead: () => void;
  onCancel: () => void;
}

/** What each column means, and what will happen, before anything does. */
export function MapColumns({ mapped, onChange, onRead, onCancel }: MapColumnsProps) {
  const { file, opened, reading, remembered } = mapped;
  const { samples, rejected } = useTrial(mapped);
  const [first] = samples;
  return (
    <div className="mapping">
      <div>
        <p className="small">
          {file}, {opened.encoding}, {reading.layout === 'long' ? 'one result a row' : 'one sample a row'}, header in
          line {reading.headerRow + 1}.{remembered && <b> Read as this laboratory’s file was read the last time.</b>}
        </p>
        <ColumnTable rows={opened.rows} reading={reading} onChange={(columns) => onChange({ columns })} />
      </div>
      <aside>
        <ReadingForm reading={reading} onChange={onChange} />
        <h2>What will happen</h2>
        <p>
          Of the first lines, <b>{samples.length}</b> {samples.length === 1 ? 'sample' : 'samples'} can be read
          {rejected.length > 0 ? (
            <>
              {' '}
              and <b>{rejected.length}</b> {rejected.length === 1 ? 'line' : 'lines'} cannot.
            </>
          ) : (
            ', all of them.'
          )}
        </p>
        {first && (
          <p className="small">
            {first.sample || 'The first'}:{' '}
            {first.results
              .map((r) => `${r.analyte} ${r.qualifier ?? ''}${significant(r.value, 4)}${r.unit ? ` ${r.unit}` : ''}`)
              .join(', ')}
            {first.depthIn && `; ${trimmed(first.depthIn, 2)} in deep`}
            {first.sampledOn && `; ${sayDate(first.sampledOn)}`}
          </p>
        )}
        {rejected.slice(0, 3).map((r) => (
          <p className="small" key={r.line}>
            Line {r.line}: {r.why}
          </p>
        ))}
        <p className="actions">
          <Button type="primary" disabled={samples.length === 0} onClick={onRead}>
            Read the whole file
          </Button>
          <Button onClick={onCancel}>Cancel</Button>
        </p>
        <p className="small">Nothing is stored yet.</p>
      </aside>
    </div>
  );
}
