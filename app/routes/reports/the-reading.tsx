import { Button, Select } from 'antd';
import { isMass, reportAnalyteName } from '@core/reports/terms/names';
import { methodName } from '@core/records/methods';
import { METHODS, UNITS } from '@core/records/vocabularies';
import type { TermAnswer } from '@core/reports/reading';
import { sayDate } from '@core/words/days';
import { WarnGlyph } from '../../ui/glyphs';
import type { ReadSummary } from '../../workers/report-intake';
import { type Selected, sameValue } from './as-it-came';
import { asOf, howSure, MEANINGS } from './meanings';

interface TheReadingProps {
  summary: ReadSummary;
  selected: Selected | undefined;
  /** The label that is looked at: by itself, or through one of its values. */
  term: number | undefined;
  nameOf: (propertyId: string, zoneId: string) => string;
  onSelect: (at: Selected | undefined, term?: number) => void;
  onShow: (from: number) => void;
  onTerm: (label: string, answer: TermAnswer | undefined) => void;
}

/** What was read: an analyte a row, a sample a column, how sure each is. */
export function TheReading({ summary, selected, term, nameOf, onSelect, onShow, onTerm }: TheReadingProps) {
  const { rows, shown, terms, from, samples } = summary;
  const isSoil = summary.facts.kind.value === 'soil';
  /** Arrows walk the values, Escape lets go. */
  const walk = (event: React.KeyboardEvent) => {
    if (!(event.target instanceof HTMLElement) || event.target.closest('.ant-select, input')) return;
    const at = rows.findIndex((row) =>
      row.values.some((value) => value && 'at' in value && sameValue(selected, value.at)),
    );
    const column = selected ? selected.sample - from : 0;
    const step = { ArrowDown: [1, 0], ArrowUp: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
    if (event.key === 'Escape') return onSelect(undefined);
    if (!step) return;
    event.preventDefault();
    for (
      let row = at + (step[0] ?? 0), cell = column + (step[1] ?? 0);
      row >= -1 && row < rows.length && cell >= 0 && cell < shown.length;
      row += step[0] ?? 0, cell += step[1] ?? 0
    ) {
      const value = rows[Math.max(0, row)]?.values[cell];
      if (value && 'at' in value)
        return onSelect({ sample: value.at[0], value: value.at[1] }, rows[Math.max(0, row)]!.term);
      if (row === -1) return;
    }
  };
  return (
    <>
      <div
        className="readingbox"
        tabIndex={0}
        role="region"
        aria-label="Values that were read; arrows walk them"
        onKeyDown={walk}
      >
        <table className="thereading">
          <thead>
            <tr>
              <th scope="col">Read as</th>
              <th scope="col">unit, method</th>
              {shown.map((sample, i) => (
                <th key={`${sample.label}${i}`} scope="col" className="num">
                  {sample.label}
                  {sample.second && <small>{sample.second}</small>}
                </th>
              ))}
              <th scope="col">how sure</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => {
              const { label } = terms[row.term]!.term;
              const { meaning } = label;
              if (meaning.kind !== 'analyte') return null;
              const asked = row.values.filter((value) => value && 'at' in value && value.asked).length;
              return (
                <tr key={row.term} className={row.term === term ? 'is-selected' : undefined} data-row={row.term}>
                  <th scope="row">
                    <button
                      type="button"
                      onClick={() => onSelect(undefined, row.term)}
                      aria-label={`${reportAnalyteName(meaning.analyte)}: how “${terms[row.term]!.term.text}” is read`}
                    >
                      {reportAnalyteName(meaning.analyte)}
                    </button>
                  </th>
                  <td className="small">
                    {[row.unit, meaning.otherExtract ?? (row.method && methodName(row.method))]
                      .filter(Boolean)
                      .join(', ')}
                  </td>
                  {row.values.map((value, i) => (
                    <td key={i} className="num">
                      {value === undefined ? (
                        ''
                      ) : 'instead' in value ? (
                        <span className="small">{value.instead}</span>
                      ) : (
                        <button
                          type="button"
                          tabIndex={-1}
                          className={`val${value.asked ? ' is-asked' : ''}${sameValue(selected, value.at) ? ' is-selected' : ''}`}
                          onClick={() => onSelect({ sample: value.at[0], value: value.at[1] }, row.term)}
                        >
                          {value.asked && <WarnGlyph />}
                          {value.text}
                          {value.rating && <small>{value.rating}</small>}
                        </button>
                      )}
                    </td>
                  ))}
                  <td className={asked > 0 ? 'sure is-asked' : 'sure'} title={howSure(label)}>
                    {asked > 0 ? `asked, ${asked} ${asked === 1 ? 'value' : 'values'}` : howSure(label)}
                  </td>
                </tr>
              );
            })}
            {isSoil && (
              <tr className="goes">
                <th scope="row">Goes to</th>
                <td />
                {shown.map((sample, i) => (
                  <td key={i} className="num small">
                    {sample.zone ? nameOf(sample.zone.propertyId, sample.zone.zoneId) : 'no zone yet'}
                    {sample.sampledOn && <small>{sayDate(sample.sampledOn)}</small>}
                    {sample.zone && sample.why && <small>{sample.why}</small>}
                  </td>
                ))}
                <td />
              </tr>
            )}
          </tbody>
        </table>
      </div>
      {samples > shown.length && (
        <p className="paging">
          Samples {from + 1} to {from + shown.length} of {samples}{' '}
          <Button size="small" disabled={from === 0} onClick={() => onShow(Math.max(0, from - 6))}>
            Earlier samples
          </Button>
          <Button size="small" disabled={from + shown.length >= samples} onClick={() => onShow(from + 6)}>
            Later samples
          </Button>
        </p>
      )}
      {term !== undefined && terms[term] && <TermLine entry={terms[term]} onTerm={onTerm} />}
    </>
  );
}

/** One label of the file and what it is read as, for all its values. */
function TermLine({ entry, onTerm }: { entry: ReadSummary['terms'][number]; onTerm: TheReadingProps['onTerm'] }) {
  const { term, plain, count } = entry;
  const { meaning } = term.label;
  const answer = (part: Partial<TermAnswer>): TermAnswer => ({
    as: asOf(meaning),
    ...(meaning.kind === 'analyte' && meaning.unit ? { unit: meaning.unit } : {}),
    ...(meaning.kind === 'analyte' && meaning.method ? { method: meaning.method } : {}),
    ...part,
  });
  return (
    <div className="termline">
      <span>
        “{term.text}”, {count} {count === 1 ? 'value' : 'values'}, is read as
      </span>
      <Select
        size="small"
        aria-label={`${term.text} is read as`}
        value={asOf(meaning)}
        options={MEANINGS}
        showSearch={{ optionFilterProp: 'label' }}
        virtual={false}
        popupMatchSelectWidth={false}
        onChange={(as: TermAnswer['as']) => onTerm(plain, { as })}
      />
      {meaning.kind === 'analyte' && isMass(meaning.analyte) && (
        <Select
          size="small"
          aria-label={`Unit of ${term.text}`}
          value={meaning.unit ?? ''}
          options={[{ value: '', label: 'unit of the file' }, ...UNITS.map((value) => ({ value, label: value }))]}
          virtual={false}
          popupMatchSelectWidth={false}
          onChange={(unit: string) => onTerm(plain, answer({ unit: (unit || undefined) as TermAnswer['unit'] }))}
        />
      )}
      {meaning.kind === 'analyte' && (
        <Select
          size="small"
          aria-label={`Method of ${term.text}`}
          value={meaning.method ?? ''}
          options={[
            { value: '', label: 'method of the file' },
            ...METHODS.map((value) => ({ value, label: methodName(value) })),
          ]}
          virtual={false}
          popupMatchSelectWidth={false}
          onChange={(method: string) =>
            onTerm(plain, answer({ method: (method || undefined) as TermAnswer['method'] }))
          }
        />
      )}
      {term.label.because && <span className="small">{term.label.because}</span>}
    </div>
  );
}
