import { Button } from 'antd';
import { useEffect, useState } from 'react';
import { columnLetters } from '@core/reports/document';
import type { Opened, ShownCell, ShownLine } from '../../workers/report-intake';

/** Lines of a long table on one sheet. */
const LINES_A_SHEET = 120;
const ZOOMS = [0.7, 0.85, 1, 1.25, 1.6, 2];
const WORDS: Record<NonNullable<ShownCell['mark']>, string> = {
  read: 'read',
  asked: 'asked',
  words: 'kept as words',
  unknown: 'not understood',
};

export interface Selected {
  sample: number;
  value: number;
}
export const sameValue = (a: Selected | undefined, b: readonly [number, number] | undefined): boolean =>
  a !== undefined && b !== undefined && a.sample === b[0] && a.value === b[1];

interface AsItCameProps {
  opened: Opened;
  /** Changes with every reading, so that marks are asked for anew. */
  reading: unknown;
  page: number;
  first: number;
  onPage: (page: number, first: number) => void;
  lines: (page: number, from: number) => Promise<ShownLine[]>;
  selected: Selected | undefined;
  onSelect: (at: Selected) => void;
}

/** The file as it came, each value that was read marked in its place. */
export function AsItCame({ opened, reading, page, first, onPage, lines, selected, onSelect }: AsItCameProps) {
  const [shown, setShown] = useState<ShownLine[]>([]);
  const [zoom, setZoom] = useState(2);
  useEffect(() => {
    let stale = false;
    void lines(page, first).then((found) => !stale && setShown(found));
    return () => {
      stale = true;
    };
    // the reader is the same as long as its reading is
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [page, first, reading]);
  const here = opened.pages[page];
  const isPaper = opened.kind === 'pdf' || opened.kind === 'text';
  const many = opened.pages.length > 1;
  const long = !isPaper && (here?.lines ?? 0) > LINES_A_SHEET;
  return (
    <section className="came" aria-label="The file as it came">
      <div className="toolrow">
        <b>
          {many
            ? `${here?.name ?? ''}, ${page + 1} of ${opened.pages.length}`
            : long
              ? `Lines ${first + 1} to ${first + shown.length} of ${here?.lines ?? 0}`
              : (here?.name ?? '')}
        </b>
        {(['read', 'asked', 'words', 'unknown'] as const).map((kind) => (
          <span key={kind} className="key">
            <i className={`swatch is-${kind}`} />
            {WORDS[kind]}
          </span>
        ))}
        <span className="sp" />
        {many && (
          <>
            <Button size="small" disabled={page === 0} onClick={() => onPage(page - 1, 0)}>
              Previous
            </Button>
            <Button size="small" disabled={page === opened.pages.length - 1} onClick={() => onPage(page + 1, 0)}>
              Next
            </Button>
          </>
        )}
        {long && (
          <>
            <Button
              size="small"
              disabled={first === 0}
              onClick={() => onPage(page, Math.max(0, first - LINES_A_SHEET))}
            >
              Earlier
            </Button>
            <Button
              size="small"
              disabled={first + LINES_A_SHEET >= (here?.lines ?? 0)}
              onClick={() => onPage(page, first + LINES_A_SHEET)}
            >
              Later
            </Button>
          </>
        )}
        <Button size="small" disabled={zoom === ZOOMS.length - 1} onClick={() => setZoom(zoom + 1)}>
          Closer
        </Button>
        <Button size="small" disabled={zoom === 0} onClick={() => setZoom(zoom - 1)}>
          Wider
        </Button>
      </div>
      <div className="sheetbox" tabIndex={0} role="region" aria-label="Page, scrolls">
        {isPaper ? (
          <Paper
            lines={shown}
            page={here}
            isText={opened.kind === 'text'}
            zoom={ZOOMS[zoom] ?? 1}
            selected={selected}
            onSelect={onSelect}
          />
        ) : (
          <Grid lines={shown} zoom={ZOOMS[zoom] ?? 1} selected={selected} onSelect={onSelect} />
        )}
      </div>
    </section>
  );
}

/** Width of the paper at zoom 1, px. */
const PAPER_PX = 600;

/** A short text is not drawn larger than print, points. */
const FEWEST_PT = 420;

function Paper({
  lines,
  page,
  isText,
  zoom,
  selected,
  onSelect,
}: { lines: readonly ShownLine[]; page: Opened['pages'][number] | undefined; isText: boolean; zoom: number } & Pick<
  AsItCameProps,
  'selected' | 'onSelect'
>) {
  const right = Math.max(isText ? FEWEST_PT : 200, ...lines.flatMap(({ cells }) => cells.map(({ to }) => to)));
  const width = page?.width ?? right + 12;
  const height = page?.height ?? Math.max(...lines.map(({ top = 0 }) => top), 100) + 20;
  const margin = isText ? 10 : 0;
  return (
    <svg
      className={isText ? 'paper is-text' : 'paper'}
      role="group"
      aria-label="Page"
      viewBox={`${-margin} ${-margin} ${width + 2 * margin} ${height + 2 * margin}`}
      width={PAPER_PX * zoom}
      height={(PAPER_PX * zoom * (height + 2 * margin)) / (width + 2 * margin)}
    >
      {lines.flatMap(({ no, top = 0, height: letters = 10, cells }) =>
        cells.map((cell) => (
          <PaperCell
            key={`${no}/${cell.from}`}
            cell={cell}
            baseline={isText ? top + letters * 0.8 : top}
            letters={isText ? 10 : letters}
            selected={selected}
            onSelect={onSelect}
          />
        )),
      )}
    </svg>
  );
}

function PaperCell({
  cell,
  baseline,
  letters,
  selected,
  onSelect,
}: { cell: ShownCell; baseline: number; letters: number } & Pick<AsItCameProps, 'selected' | 'onSelect'>) {
  const { text, from, to, mark, value, within } = cell;
  const isSelected = sameValue(selected, value);
  const [left, right, top, bottom] = [
    from - 2.5,
    to + 2.5,
    baseline - letters * 0.86 - 1,
    baseline + letters * 0.26 + 1,
  ];
  const look = `box is-${mark ?? ''}${isSelected ? ' is-selected' : ''}`;
  const box =
    mark === 'words' ? (
      <path className={look} d={`M${left} ${bottom - 3}V${bottom}H${right}V${bottom - 3}`} />
    ) : (
      mark && <rect className={look} x={left} y={top} width={right - left} height={bottom - top} />
    );
  const words = within ? null : (
    <text
      x={from}
      y={baseline}
      fontSize={letters * 0.98}
      textLength={Math.max(1, to - from)}
      lengthAdjust="spacingAndGlyphs"
    >
      {text}
    </text>
  );
  if (!value)
    return (
      <g>
        {box}
        {words}
      </g>
    );
  const select = () => onSelect({ sample: value[0], value: value[1] });
  return (
    <g
      className="pick"
      role="button"
      tabIndex={-1}
      aria-label={`${text}, ${mark ?? ''}`}
      data-value={value.join('/')}
      onClick={select}
    >
      {box}
      {words}
    </g>
  );
}

function Grid({
  lines,
  zoom,
  selected,
  onSelect,
}: { lines: readonly ShownLine[]; zoom: number } & Pick<AsItCameProps, 'selected' | 'onSelect'>) {
  const columns = Math.max(1, ...lines.map(({ cells }) => cells.at(-1)?.to ?? 0));
  return (
    <table className="cells" style={{ fontSize: 12.5 * zoom }}>
      <thead>
        <tr>
          <th scope="col" aria-label="Line" />
          {Array.from({ length: columns }, (_, i) => (
            <th key={i} scope="col">
              {columnLetters(i)}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map(({ no, cells }) => (
          <tr key={no}>
            <th scope="row">{no}</th>
            {filled(cells, columns).map((cell) => (
              <td
                key={cell.from}
                colSpan={cell.to - cell.from}
                className={
                  cell.mark ? `is-${cell.mark}${sameValue(selected, cell.value) ? ' is-selected' : ''}` : undefined
                }
              >
                {cell.value ? (
                  <button
                    type="button"
                    tabIndex={-1}
                    data-value={cell.value.join('/')}
                    onClick={() => onSelect({ sample: cell.value![0], value: cell.value![1] })}
                  >
                    {cell.text}
                  </button>
                ) : (
                  cell.text
                )}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** Cells of a row with the empty ones between. */
function filled(cells: readonly ShownCell[], columns: number): ShownCell[] {
  const row: ShownCell[] = [];
  let at = 0;
  for (const cell of cells) {
    for (; at < cell.from; at++) row.push({ text: '', from: at, to: at + 1 });
    row.push(cell);
    at = cell.to;
  }
  for (; at < columns; at++) row.push({ text: '', from: at, to: at + 1 });
  return row;
}
