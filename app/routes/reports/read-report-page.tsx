import { Button } from 'antd';
import { useEffect, useRef, useState } from 'react';
import type { ZoneTarget } from '@core/files/match-sample';
import type { IrrigationWater } from '@core/records/case';
import { placeKey } from '@core/reports/reading';
import { grouped } from '@core/words/numbers';
import { WarnGlyph } from '../../ui/glyphs';
import { Fault } from '../../ui/field';
import { WhichBuffer } from '../../ui/which-buffer';
import { AsItCame, type Selected } from './as-it-came';
import { KeptList, NotTaken, NotUnderstoodList, WithoutZone } from './beside-values';
import { useSome } from '../../ui/use-some';
import { FileFactsForm } from './file-facts-form';
import { OtherKind } from './other-kinds';
import { Remembered } from './remembered';
import { SlipQuestion } from './slip-question';
import { TheReading } from './the-reading';
import type { ReportReader, Stage } from './use-report';

const count = (n: number, one: string, many = `${one}s`): string => `${grouped(n, 0)} ${n === 1 ? one : many}`;

/** The report as it came beside what was read of it; what is asked, answered; then saved. */
export function ReadReportPage({
  stage,
  reader,
  zones,
  home,
  onWater,
}: {
  stage: Extract<Stage, { at: 'read' }>;
  reader: ReportReader;
  zones: readonly ZoneTarget[];
  home: string | undefined;
  onWater: (water: IrrigationWater) => void;
}) {
  const { summary, open } = stage;
  const [selected, setSelected] = useState<Selected>();
  const [term, setTerm] = useState<number>();
  const [at, setAt] = useState<[page: number, first: number]>([0, 0]);
  const [side, setSide] = useState<'came' | 'right'>('right');
  const box = useRef<HTMLDivElement>(null);
  const slips = summary.slips.filter(({ place }) => !reader.settled.has(placeKey(place)));
  const [askedNow, moreAsked] = useSome(slips, 8, 'questions');
  const doubted = summary.unitDoubt && !reader.settled.has('unit') ? summary.unitDoubt : undefined;
  const waits = slips.length + (summary.slipCount - summary.slips.length) + (doubted ? 1 : 0);
  const select = (to: Selected | undefined, of?: number) => {
    setSelected(to);
    setTerm(of);
  };
  const nameOf = (propertyId: string, zoneId: string): string => {
    const zone = zones.find((z) => z.propertyId === propertyId && z.zoneId === zoneId);
    return zone ? (zone.propertyName === home ? zone.zoneName : `${zone.propertyName}, ${zone.zoneName}`) : zoneId;
  };
  const isSoil = summary.facts.kind.value === 'soil';
  const bare = summary.doubts.some((doubt) => doubt.startsWith('Buffer pH'));
  return (
    <>
      <header className="readhead">
        <h1>Reading a report</h1>
        <span className="small">
          {open.name}
          {open.opened.kind === 'pdf' ? `, ${count(open.opened.pages.length, 'page')} with text` : ''}
          {home && `; for ${home}`}. Nothing is stored yet.
          {open.remembered && ' Read as you said of this laboratory before.'}
        </span>
        <Button onClick={reader.cancel}>Cancel</Button>
        {isSoil && (
          <Button
            type="primary"
            className={waits > 0 ? 'waits' : undefined}
            disabled={summary.fresh === 0 || waits > 0 || stage.busy}
            onClick={() => void reader.store()}
          >
            Save {count(summary.fresh, 'report')}
            {waits > 0 && <i>waits for {count(waits, 'answer')}</i>}
          </Button>
        )}
      </header>
      <Fault>{stage.fault}</Fault>
      <div className="sides" role="group" aria-label="Side">
        <Button
          type={side === 'came' ? 'primary' : 'default'}
          aria-pressed={side === 'came'}
          onClick={() => setSide('came')}
        >
          As it came
        </Button>
        <Button
          type={side === 'right' ? 'primary' : 'default'}
          aria-pressed={side === 'right'}
          onClick={() => setSide('right')}
        >
          The reading
        </Button>
      </div>
      <div className={`reader is-${side}`} ref={box} aria-busy={stage.busy ?? false}>
        <AsItCame
          opened={open.opened}
          reading={summary}
          page={at[0]}
          first={at[1]}
          onPage={(page, first) => setAt([page, first])}
          lines={reader.lines}
          selected={selected}
          onSelect={(to) => {
            const row = summary.rows.find((each) =>
              each.values.some(
                (value) => value && 'at' in value && value.at[0] === to.sample && value.at[1] === to.value,
              ),
            );
            select(to, row?.term);
            // a sample that is not among those shown is fetched
            if (to.sample < summary.from || to.sample >= summary.from + summary.shown.length)
              void reader.show(Math.floor(to.sample / 6) * 6);
          }}
        />
        <section className="right" aria-label="The reading">
          <h2>
            The reading{' '}
            <small>
              {count(summary.samples, 'sample')}, {count(summary.values, 'value')}
              {summary.notGiven > 0 && `, ${summary.notGiven} not given`}
              {summary.known > 0 && `; ${summary.known} here already`}
              {waits > 0 && `; ${count(waits, 'question')}`}
              {summary.notUnderstood.length > 0 && `; ${count(summary.notUnderstood.length, 'label')} not understood`}
            </small>
          </h2>
          <FileFactsForm summary={summary} answers={reader.answers} onSay={reader.say} />
          <TheReading
            summary={summary}
            selected={selected}
            term={term}
            nameOf={nameOf}
            onSelect={select}
            onShow={(from) => void reader.show(from)}
            onTerm={reader.sayTerm}
          />
          {!isSoil && (
            <OtherKind
              summary={summary}
              home={home}
              onSoil={() => reader.say({ kind: 'soil' })}
              onWater={(at) => void reader.water(at).then((water) => water && onWater(water))}
            />
          )}
          {doubted && (
            <section className="slipbox" aria-label="The unit of the file">
              <p className="sliphead">
                <WarnGlyph /> <b>The unit</b> <span>{doubted.says}</span>
              </p>
              <p className="actions">
                <Button
                  type="primary"
                  size="small"
                  onClick={() =>
                    reader.say({
                      unit: doubted.unit as 'ppm',
                      terms: unitsSaid(summary, reader.answers.terms, doubted.unit as 'ppm'),
                    })
                  }
                >
                  They are {doubted.unit}
                </Button>
                <Button size="small" onClick={() => reader.settle('unit')}>
                  Keep as printed
                </Button>
              </p>
            </section>
          )}
          {askedNow.map((slip) => (
            <SlipQuestion
              key={placeKey(slip.place)}
              slip={slip}
              onSay={(value) => reader.sayValue(slip.place, value)}
            />
          ))}
          {moreAsked}
          {bare && <WhichBuffer onChoose={(bufferMethod) => reader.say({ bufferMethod })} />}
          {summary.doubts.length > 0 && (
            <ul className="doubts">
              {summary.doubts.map((doubt) => (
                <li key={doubt}>{doubt}</li>
              ))}
            </ul>
          )}
          <WithoutZone summary={summary} zones={zones} onAssign={(sample, to) => void reader.assign(sample, to)} />
          <div className="twolists">
            <NotUnderstoodList summary={summary} onTerm={reader.sayTerm} />
            <KeptList summary={summary} />
          </div>
          <NotTaken summary={summary} onSave={() => void reader.saveRejected()} />
          <Remembered
            count={
              Object.keys(reader.answers.terms ?? {}).length +
              Object.keys(reader.answers).filter((key) => !['terms', 'values'].includes(key)).length
            }
          />
        </section>
        <Connector box={box} selected={selected} term={term} reading={summary} at={at} />
      </div>
    </>
  );
}

/** The unit of every label that names one, said otherwise: what a file prints wrongly it prints wrongly all over. */
function unitsSaid(
  summary: Extract<Stage, { at: 'read' }>['summary'],
  before: ReportReader['answers']['terms'],
  unit: 'ppm' | 'lb/acre',
): ReportReader['answers']['terms'] {
  const terms = { ...before };
  for (const { term, plain } of summary.terms) {
    const { meaning } = term.label;
    if (meaning.kind === 'analyte' && (meaning.unit === 'ppm' || meaning.unit === 'lb/acre'))
      terms[plain] = { as: `analyte:${meaning.analyte}`, unit, ...(meaning.method ? { method: meaning.method } : {}) };
  }
  return Object.keys(terms).length > 0 ? terms : undefined;
}

/** A line from a value in the file to its row in the reading: along the rule under the value, bent in the gutter. */
function Connector({
  box,
  selected,
  term,
  reading,
  at,
}: {
  box: React.RefObject<HTMLDivElement | null>;
  selected: Selected | undefined;
  term: number | undefined;
  reading: unknown;
  at: readonly number[];
}) {
  const [path, setPath] = useState<string>();
  useEffect(() => {
    const draw = () => setPath(box.current ? pathIn(box.current, selected, term) : undefined);
    const here = box.current;
    window.addEventListener('resize', draw);
    here?.addEventListener('scroll', draw, true);
    // the page of the file comes a moment after the reading
    const timers = [0, 150].map((ms) => setTimeout(draw, ms));
    return () => {
      window.removeEventListener('resize', draw);
      here?.removeEventListener('scroll', draw, true);
      timers.forEach(clearTimeout);
    };
  }, [box, selected, term, reading, at]);
  if (!path) return null;
  return (
    <svg className="connector" aria-hidden="true">
      <path d={path} />
    </svg>
  );
}

/** From under the value along to the gutter, and there to its row; undefined where either is out of sight. */
function pathIn(root: HTMLElement, selected: Selected | undefined, term: number | undefined): string | undefined {
  const place = (selector: string) => root.querySelector(selector)?.getBoundingClientRect();
  const from = selected && place(`[data-value="${selected.sample}/${selected.value}"]`);
  const to = term === undefined ? undefined : place(`[data-row="${term}"]`);
  const [sheet, right] = [place('.sheetbox'), place('.right')];
  if (
    !from ||
    !to ||
    !sheet ||
    !right ||
    right.left < sheet.right ||
    from.bottom < sheet.top ||
    from.top > sheet.bottom
  )
    return undefined;
  const origin = root.getBoundingClientRect();
  const bend = right.left - origin.left - 6;
  return `M${Math.min(from.right, sheet.right) - origin.left} ${from.bottom - origin.top + 2}H${bend}V${to.top + to.height / 2 - origin.top}H${to.left - origin.left - 2}`;
}
