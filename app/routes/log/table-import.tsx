import { Button, Checkbox, Segmented } from 'antd';
import { useMemo } from 'react';
import {
  answered,
  LOG_COLUMNS,
  type LogColumn,
  type LogTable,
  recordsOfTable,
  type TableAnswers,
  type TableReading,
  type TableUnit,
} from '@core/files/log-table';
import type { Case } from '@core/records/case';
import type { DayOrder } from '@core/typed/typed-day';
import { ChoiceField } from '../../ui/field';
import { useSome } from '../../ui/use-some';

const NAMES: Partial<Record<LogColumn, string>> = {
  nitrogen: 'nitrogen rate',
  registration: 'registration number',
  wind: 'wind, mph',
};
const NOTHING = 'nothing';
const UNITS: Partial<Record<LogColumn, readonly TableUnit[]>> = {
  amount: ['lb', 'oz', 'kg', 'g', 'gal', 'fl oz', 'L', 'mL', 'bag'],
  rate: ['lb/1000 ft2', 'oz/1000 ft2', 'lb/acre', 'kg/ha', 'g/m2', 'gal/1000 ft2', 'gal/acre', 'L/ha'],
  nitrogen: ['lb/1000 ft2', 'lb/acre', 'kg/ha', 'g/m2'],
  area: ['ft2', '1000 ft2', 'acre', 'm2', 'ha'],
};
/** Lines shown of each kind at first. */
const SHOWN_AT_FIRST = 12;
/** Lines of the table under each column's name: enough to see what it holds. */
const SAMPLE_LINES = 3;

/** A table of what was spread, before anything of it is taken: what its columns mean, which lines are records, and why others are none. */
export function TableImport({
  name,
  table,
  answers,
  file,
  onAnswer,
  onImport,
  onCancel,
}: {
  name: string;
  table: LogTable;
  answers: TableAnswers;
  file: Case;
  onAnswer: (answers: TableAnswers) => void;
  onImport: (reading: TableReading) => void;
  onCancel: () => void;
}) {
  const now = useMemo(() => answered(table, answers), [table, answers]);
  const reading = useMemo(() => recordsOfTable(table, answers, file), [table, answers, file]);
  const taken = reading.lines.filter(({ body, twin }) => body && (!twin || answers.twins));
  const twins = reading.lines.filter(({ twin }) => twin);
  const refused = reading.lines.filter(({ because }) => because !== undefined);
  const [some, more] = useSome(refused, SHOWN_AT_FIRST, 'lines');
  const say = (change: Partial<TableAnswers>) => onAnswer({ ...answers, ...change });
  const ask = (
    kind: 'zones' | 'products',
    unknown: readonly string[],
    all: readonly { id: string; name: string }[],
  ) => {
    // what was said already stays where it can be changed
    const names = [...new Set([...Object.keys(answers[kind] ?? {}), ...unknown])];
    return names.map((text) => (
      <ChoiceField
        key={kind + text}
        label={text === '' ? 'Lines that name no zone' : `“${text.slice(0, 60)}” in the table`}
        placeholder={kind === 'zones' ? 'which zone?' : 'which product of the shelf?'}
        value={answers[kind]?.[text]}
        options={all.map(({ id, name: label }) => ({ value: id, label }))}
        onChange={(id) => say({ [kind]: { ...answers[kind], [text]: id } })}
      />
    ));
  };
  return (
    <section className="recordform tableimport" aria-label="Import a table">
      <h2>{name}</h2>
      <p role="status">
        {taken.length} {taken.length === 1 ? 'line becomes a record' : 'lines become records'}
        {twins.length > 0 && `, ${twins.length} ${twins.length === 1 ? 'looks' : 'look'} like one that is here`}
        {refused.length > 0 && `, ${refused.length} ${refused.length === 1 ? 'does' : 'do'} not`}.
      </p>
      <div className="tablescroll">
        <table className="dosetable">
          <caption className="vh">What the columns mean</caption>
          <thead>
            <tr>
              {now.columns.map(({ at, header }) => (
                <th key={at} scope="col">
                  {header}
                </th>
              ))}
            </tr>
            <tr>
              {now.columns.map(({ at, header, meaning, unit }) => (
                <td key={at}>
                  <ChoiceField<LogColumn | typeof NOTHING>
                    label={`${header} means`}
                    value={meaning ?? NOTHING}
                    options={[NOTHING, ...LOG_COLUMNS].map((value) => ({
                      value: value as LogColumn | typeof NOTHING,
                      label: NAMES[value as LogColumn] ?? value,
                    }))}
                    onChange={(said) =>
                      say({
                        columns: {
                          ...answers.columns,
                          [at]: {
                            ...(said === NOTHING ? {} : { meaning: said }),
                            ...(unit && UNITS[said as LogColumn]?.includes(unit) ? { unit } : {}),
                          },
                        },
                      })
                    }
                  />
                  {meaning && UNITS[meaning] && (
                    <ChoiceField<TableUnit>
                      label={`${header} in`}
                      placeholder="as the cells say"
                      value={unit}
                      options={UNITS[meaning].map((value) => ({ value, label: value }))}
                      onChange={(said) => say({ columns: { ...answers.columns, [at]: { meaning, unit: said } } })}
                    />
                  )}
                </td>
              ))}
            </tr>
          </thead>
          <tbody>
            {now.rows.slice(0, SAMPLE_LINES).map((row, i) => (
              <tr key={i}>
                {now.columns.map(({ at }) => (
                  <td key={at}>{(row[at] ?? '').slice(0, 60)}</td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      <div className="recordfields">
        <div>
          <span className="small">Days: {now.orderBecause}</span>
          <br />
          <Segmented<DayOrder>
            aria-label="Order of the days"
            value={now.order}
            options={[
              { value: 'month-first', label: 'month first' },
              { value: 'day-first', label: 'day first' },
            ]}
            onChange={(order) => say({ order })}
          />
        </div>
        {ask('zones', reading.unknownZones, file.zones)}
        {ask(
          'products',
          reading.unknownProducts.filter((text) => text !== ''),
          file.products ?? [],
        )}
      </div>
      {twins.length > 0 && (
        <Checkbox checked={answers.twins ?? false} onChange={({ target }) => say({ twins: target.checked })}>
          Import also what looks like a record that is here: same day, zone and product, pounds within 1 %
        </Checkbox>
      )}
      {refused.length > 0 && (
        <table className="dosetable">
          <caption>Lines that become no record</caption>
          <thead>
            <tr>
              <th scope="col" className="num">
                Line
              </th>
              <th scope="col">Why</th>
              <th scope="col">What it says</th>
            </tr>
          </thead>
          <tbody>
            {some.map(({ line, because, cells }) => (
              <tr key={line}>
                <td className="num">{line}</td>
                <td>{because}</td>
                <td>{cells.filter(Boolean).join(', ').slice(0, 120)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {more}
      <div className="recordacts">
        <Button type="primary" disabled={taken.length === 0} onClick={() => onImport(reading)}>
          Import {taken.length} {taken.length === 1 ? 'record' : 'records'}
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </section>
  );
}
