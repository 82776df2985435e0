import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { textAsDocument } from '@core/reports/text-as-document.fixture';
import { slipsOf } from '@core/reports/plausible';
import { readReport } from '@core/reports/read-report';
import { plain } from '@core/words/plain';
import { answersOfOldLayout } from '../../storage/layout-upgrade';
import type { Opened, ReadSummary, ShownLine } from '../../workers/report-intake';
import { AsItCame } from './as-it-came';
import { KeptList, NotTaken, NotUnderstoodList, WithoutZone } from './beside-values';
import { filesDropped } from './files-dropped';
import { SlipQuestion } from './slip-question';
import { TheReading } from './the-reading';

afterEach(cleanup);

const reading = readReport(
  textAsDocument(
    'Sample,pH,K (ppm),Ca (ppm),CEC,F. I.,N lb/1000\nFront,6.1,44 L,812.0,8.4,3,2\nBack,5.9,ND,6400,6.1,2,3\n',
  ),
);
/** What the worker would hand over of it, as far as these parts look. */
const summary: ReadSummary = {
  facts: reading.facts,
  terms: reading.terms.map((term) => ({ term, plain: plain(term.text), count: 2 })),
  samples: 2,
  values: 7,
  notGiven: 1,
  from: 0,
  rows: reading.terms.flatMap(({ label }, term) =>
    label.meaning.kind === 'analyte'
      ? [
          {
            term,
            values: reading.samples.map((sample, i) => {
              const at = sample.values.findIndex((v) => v.term === term);
              const value = sample.values[at];
              return value
                ? {
                    at: [i, at] as [number, number],
                    text: value.text.replace(' L', ''),
                    ...(value.rating ? { rating: value.rating } : {}),
                    asked: value.value === 6400,
                  }
                : { instead: 'ND' };
            }),
          },
        ]
      : [],
  ),
  shown: [
    { label: 'Front', zone: { propertyId: 'p', zoneId: 'z' } },
    { label: 'Back', why: 'no bag' },
  ],
  notUnderstood: reading.notUnderstood,
  kept: reading.kept,
  ratings: 1,
  ratingWords: ['L'],
  recommendations: [{ text: 'N lb/1000 2', sample: 'Front', of: 'NLb', lbPer1000: 2 }],
  rejected: [{ place: 'line 7', text: 'x', because: 'not a number' }],
  rejectedCount: 1,
  doubts: [],
  slips: [],
  slipCount: 1,
  waters: [],
  leaves: [],
  fresh: 1,
  known: 0,
  unmatched: [{ sample: 'Back', count: 1, why: 'no bag' }],
};

describe('the reading', () => {
  it('shows an analyte a row with its rating and how sure it is, and walks by arrows', () => {
    const select = vi.fn();
    const show = (selected?: { sample: number; value: number }, term?: number) => (
      <TheReading
        summary={summary}
        selected={selected}
        term={term}
        nameOf={() => 'South lawn'}
        onSelect={select}
        onShow={() => {}}
        onTerm={() => {}}
      />
    );
    const { rerender } = render(show());
    expect(screen.getByRole('row', { name: /^Potassium/ }).textContent).toContain('44L');
    expect(screen.getByRole('row', { name: /^Calcium/ }).textContent).toContain('asked, 1 value');
    expect(screen.getByRole('row', { name: /^Goes to/ }).textContent).toContain('South lawn');
    fireEvent.click(screen.getByRole('button', { name: '44 L'.replace(' ', '') }));
    const [at, term] = select.mock.calls[0] as [{ sample: number; value: number }, number];
    rerender(show(at, term));
    fireEvent.keyDown(screen.getByRole('region'), { key: 'ArrowDown' });
    expect(select.mock.calls[1]![1]).toBe(
      summary.rows.find((row) => row.values.some((v) => v && 'at' in v && v.text === '812.0'))!.term,
    );
    fireEvent.keyDown(screen.getByRole('region'), { key: 'Escape' });
    expect(select.mock.lastCall![0]).toBeUndefined();
  });
  it('changes a label for all its values', () => {
    const change = vi.fn();
    const term = reading.terms.findIndex(({ text }) => text.startsWith('K'));
    render(
      <TheReading
        summary={summary}
        selected={undefined}
        term={term}
        nameOf={() => ''}
        onSelect={() => {}}
        onShow={() => {}}
        onTerm={change}
      />,
    );
    fireEvent.mouseDown(screen.getByLabelText('Unit of K (ppm)'));
    fireEvent.click(screen.getByTitle('lb/acre'));
    expect(change).toHaveBeenCalledWith('k (ppm)', { as: 'analyte:K', unit: 'lb/acre' });
  });
});

describe('a slip', () => {
  it('has its likeliest cause chosen, and takes what is typed', () => {
    const [slip] = slipsOf(reading);
    const say = vi.fn();
    render(
      <SlipQuestion
        slip={{ ...slip!, label: 'Back', text: '6400', unit: 'ppm', place: { page: 0, line: 3, from: 3 } }}
        onSay={say}
      />,
    );
    expect(screen.getByRole('region').textContent).toContain('5.2 times the CEC');
    fireEvent.click(screen.getByRole('button', { name: 'Take 640' }));
    fireEvent.click(screen.getByRole('button', { name: 'Keep as printed' }));
    fireEvent.click(screen.getByRole('button', { name: 'Leave it out' }));
    fireEvent.click(screen.getByRole('button', { name: 'Type it' }));
    fireEvent.change(screen.getByLabelText('Value of Calcium'), { target: { value: '644' } });
    fireEvent.click(screen.getByRole('button', { name: 'Take it' }));
    expect(say.mock.calls.map(([value]: unknown[]) => value)).toEqual([640, 'as-printed', null, 644]);
  });
});

describe('what stands beside the values', () => {
  it('is listed: labels without a meaning, advice, samples without a zone, lines not taken', () => {
    const means = vi.fn();
    const assign = vi.fn();
    render(
      <>
        <NotUnderstoodList summary={summary} onTerm={means} />
        <KeptList summary={summary} />
        <WithoutZone
          summary={summary}
          zones={[{ propertyId: 'p', propertyName: 'School', zoneId: 'z', zoneName: 'South' }]}
          onAssign={assign}
        />
        <NotTaken summary={summary} onSave={() => {}} />
      </>,
    );
    expect(document.body.textContent).toContain('2.00 lb N per 1000');
    expect(document.body.textContent).toContain('line 7');
    fireEvent.mouseDown(screen.getByLabelText('F. I. means'));
    fireEvent.click(screen.getByTitle('leave it'));
    expect(means).toHaveBeenCalledWith('f. i.', { as: 'out' });
    fireEvent.mouseDown(screen.getByLabelText('Zone of Back'));
    fireEvent.click(screen.getByTitle('School, South'));
    expect(assign).toHaveBeenCalledWith('Back', { propertyId: 'p', zoneId: 'z' });
  });
});

describe('the file as it came', () => {
  const lines: ShownLine[] = [
    {
      no: 1,
      cells: [
        { text: 'K', from: 0, to: 1 },
        { text: '44', from: 2, to: 3, mark: 'read', value: [0, 1] },
      ],
    },
  ];
  it('shows cells in their columns, and a click on a value tells which', async () => {
    const opened: Opened = { kind: 'table', pages: [{ name: 'table', lines: 1 }], fingerprints: [] };
    const select = vi.fn();
    render(
      <AsItCame
        opened={opened}
        reading={1}
        page={0}
        first={0}
        onPage={() => {}}
        lines={() => Promise.resolve(lines)}
        selected={undefined}
        onSelect={select}
      />,
    );
    fireEvent.click(await screen.findByRole('button', { name: '44' }));
    expect(select).toHaveBeenCalledWith({ sample: 0, value: 1 });
    expect(screen.getAllByRole('cell')).toHaveLength(3);
  });
});

describe('a folder dropped', () => {
  it('gives its reports by name, and nothing else', async () => {
    const file = (name: string) => ({
      isFile: true,
      isDirectory: false,
      name,
      file: (found: (f: File) => void) => found(new File([''], name)),
    });
    let read = false;
    const folder = {
      isFile: false,
      isDirectory: true,
      name: 'x',
      createReader: () => ({
        readEntries: (found: (e: unknown[]) => void) =>
          found(read ? [] : ((read = true), [file('b.pdf'), file('a.csv'), file('c.jpg')])),
      }),
    };
    const dropped = { items: [{ webkitGetAsEntry: () => folder }], files: [] } as unknown as DataTransfer;
    expect((await filesDropped(dropped)).map(({ name }) => name)).toEqual(['a.csv', 'b.pdf']);
  });
});

describe('what an older Ubertas remembered of a layout', () => {
  it('becomes answers by label, where the reader would not say the same', () => {
    expect(
      answersOfOldLayout({
        fingerprint: 'lawn|reaction|k|remarks',
        reading: {
          columns: [
            { kind: 'fact', fact: 'sample' },
            { kind: 'analyte', analyte: 'Mg' },
            { kind: 'analyte', analyte: 'K', unit: 'ppm' },
            { kind: 'other' },
          ],
          method: 'mehlich-3',
          unit: '',
        },
      }),
    ).toEqual({
      terms: { lawn: { as: 'fact:sample' }, reaction: { as: 'analyte:Mg' }, k: { as: 'analyte:K', unit: 'ppm' } },
      method: 'mehlich-3',
    });
  });
});
