import { Select } from 'antd';
import { ANALYTES, METHODS, UNITS, type Analyte, type Method } from '@core/records/case';
import type { Column, Fact } from '@core/files/report-header';
import type { TableReading } from '@core/files/report-table';
import { analyteName, isMassAnalyte } from '@core/records/analytes';

const FACT_NAMES: Partial<Record<Fact, string>> = {
  sample: 'sample, bag or zone',
  property: 'property',
  sampledOn: 'day sampled',
  depthIn: 'depth, in',
  lab: 'laboratory',
  analyte: 'name of the analyte',
  value: 'result',
  qualifier: 'sign, < or >',
  unit: 'unit',
  method: 'method',
  basisDepthIn: 'depth the lb/acre are for, in',
  scoopGPerCm3: 'weight of the scoop, g/cm³',
  limeLb: 'lime advised, lb per 1000',
  NLb: 'N advised, lb per 1000',
  P2O5Lb: 'P2O5 advised, lb per 1000',
  K2OLb: 'K2O advised, lb per 1000',
};
const OPTIONS = [
  { value: 'other', label: 'leave out' },
  ...Object.entries(FACT_NAMES).map(([value, label]) => ({ value: `fact:${value}`, label })),
  ...ANALYTES.map((a) => ({ value: `analyte:${a}`, label: `${analyteName(a)} (${a})` })),
];
const meaningOf = (column: Column): string =>
  column.kind === 'other' ? 'other' : column.kind === 'fact' ? `fact:${column.fact}` : `analyte:${column.analyte}`;

function columnFrom(meaning: string, before: Column): Column {
  const [kind, name] = meaning.split(':');
  if (kind === 'fact') return { kind: 'fact', fact: name as Fact };
  if (kind === 'analyte')
    return {
      kind: 'analyte',
      analyte: name as Analyte,
      ...(before.kind === 'analyte' ? { unit: before.unit, method: before.method } : {}),
    };
  return { kind: 'other' };
}

interface ColumnTableProps {
  rows: readonly (readonly string[])[];
  reading: TableReading;
  onChange: (columns: Column[]) => void;
}

/** What each column of the file is taken for, with samples from the file; every guess can be corrected. */
export function ColumnTable({ rows, reading, onChange }: ColumnTableProps) {
  const header = rows[reading.headerRow] ?? [];
  const below = rows.slice(reading.headerRow + 1, reading.headerRow + 30);
  const set = (at: number, column: Column) => onChange(reading.columns.map((c, i) => (i === at ? column : c)));
  return (
    <table className="columntable">
      <thead>
        <tr>
          <th scope="col">Column of the file</th>
          <th scope="col">Such as</th>
          <th scope="col">Read as</th>
          <th scope="col">Unit</th>
          <th scope="col">Method</th>
        </tr>
      </thead>
      <tbody>
        {header.map((name, i) => {
          const column = reading.columns[i] ?? { kind: 'other' as const };
          const values = [...new Set(below.map((row) => row[i]?.trim() ?? '').filter(Boolean))].slice(0, 3);
          const label = name.trim() || `column ${i + 1}`;
          return (
            <tr key={i} className={column.kind === 'other' ? 'is-out' : undefined}>
              <th scope="row">{label}</th>
              <td className="samples">{values.join(', ')}</td>
              <td>
                <Select
                  size="small"
                  aria-label={`${label} is read as`}
                  value={meaningOf(column)}
                  options={OPTIONS}
                  onChange={(meaning) => set(i, columnFrom(meaning, column))}
                  popupMatchSelectWidth={false}
                  showSearch={{ optionFilterProp: 'label' }}
                  virtual={false}
                />
                {column.kind === 'other' && column.why && <span className="small"> {column.why}</span>}
              </td>
              <td>
                {column.kind === 'analyte' && isMassAnalyte(column.analyte) && (
                  <Select
                    size="small"
                    aria-label={`Unit of ${label}`}
                    value={column.unit ?? ''}
                    options={[
                      { value: '', label: reading.unit || 'not said' },
                      ...UNITS.map((u) => ({ value: u, label: u })),
                    ]}
                    onChange={(unit) => set(i, { ...column, unit: (unit || undefined) as typeof column.unit })}
                    popupMatchSelectWidth={false}
                    virtual={false}
                  />
                )}
              </td>
              <td>
                {column.kind === 'analyte' && (
                  <Select
                    size="small"
                    aria-label={`Method of ${label}`}
                    value={column.method ?? ''}
                    options={[
                      { value: '', label: 'as for all' },
                      ...METHODS.map((m) => ({ value: m, label: m.replaceAll('-', ' ') })),
                    ]}
                    onChange={(method) => set(i, { ...column, method: (method || undefined) as Method | undefined })}
                    popupMatchSelectWidth={false}
                    virtual={false}
                  />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
