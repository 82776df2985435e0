import './read.css';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { useFetcher, useSearchParams } from 'react-router';
import type { SoilTest } from '@core/formats/case';
import { grassOf } from '@core/ground/grasses';
import type { ZonePrescription } from '@core/prescription/prescription';
import {
  ANALYTE_NAMES,
  type Finding,
  type Interpretation,
  interpretZone,
  levelInWords,
  type PhFinding,
} from '@core/soil/interpret';
import { latestTest } from '@core/soil/report';
import { BUILT_IN_PACKS } from '@core/packs/rule-packs';
import { prescribeZone } from '@core/prescription/prescribe';
import { deleteSoilTest, loadProperty, saveSoilTest } from '../../storage/property-repository';
import { Fig } from '../../ui/fig';
import { showDate, showExact, showPh } from '../../ui/format';
import { ColumnGlyph, WarnGlyph } from '../../ui/glyphs';
import { Substances } from '../../ui/substance';
import { Track, type TrackScale } from '../../ui/track';
import { useOfferUndo } from '../../ui/use-offer-undo';
import { useWidth } from '../../ui/use-width';
import { type Consequence, consequenceOf, phConsequence } from '../../work/consequence';
import { usePropertyWork } from '../../work/property-work';
import type { Route } from './+types/read';
import { ReportForm } from './report-form';
import { reportFromTyped, type TypedReport } from './report-from-typed';

type Sent =
  | { intent: 'keep'; zoneId: string; typed: TypedReport }
  | { intent: 'remove'; testId: string }
  | { intent: 'restore'; test: SoilTest };

export async function clientAction({ request, params }: Route.ClientActionArgs) {
  const sent = (await request.json()) as Sent;
  const file = await loadProperty(params.propertyId);
  if (!file) return { faults: { lab: 'This property was removed, perhaps in another tab.' } };
  const tests = file.soilTests ?? [];
  switch (sent.intent) {
    case 'keep': {
      const before = tests.find((t) => t.id === sent.typed.id);
      const answer = reportFromTyped(
        sent.typed,
        sent.zoneId,
        before,
        tests.map((t) => t.id),
      );
      if ('faults' in answer) return answer;
      await saveSoilTest(file.property.id, answer.test);
      return { kept: answer.test.id };
    }
    case 'remove':
      await deleteSoilTest(file.property.id, sent.testId);
      return {};
    case 'restore':
      await saveSoilTest(file.property.id, sent.test);
      return {};
  }
}

/** Ends of a nutrient's track: zero to twice the upper bound, so that the bounds sit in the columns. */
const scaleOf = (finding: Finding): TrackScale => ({
  from: 0,
  enough: finding.range?.enough ?? 0,
  high: finding.range?.high ?? 1,
  to: 2 * (finding.range?.high ?? 1),
});

const glyphPlace = (level: Finding['level']): 'low' | 'enough' | 'high' | 'none' =>
  level === 'very-low' || level === 'low' ? 'low' : level === 'unreadable' ? 'none' : level;

function distance(finding: Finding): string {
  if (!finding.range || finding.level === 'unreadable') return '';
  const { enough, high } = finding.range;
  if (finding.level === 'high') return `${showExact(Number((finding.value - high).toPrecision(3)))} over`;
  if (finding.level === 'enough') return `${showExact(Number((finding.value - enough).toPrecision(3)))} inside`;
  return `${showExact(Number((enough - finding.value).toPrecision(3)))} under`;
}

function PhTrack({ ph, width }: { ph: PhFinding; width: number }) {
  const scale = { from: Math.min(4.5, ph.low - 1), enough: ph.low, high: ph.high, to: Math.max(8.5, ph.high + 0.5) };
  const words = { 'too-acid': 'Too acid', inside: 'In window', 'too-alkaline': 'Too alkaline' }[ph.place];
  const off =
    ph.place === 'too-acid'
      ? `${showPh(ph.low - ph.ph)} under`
      : ph.place === 'too-alkaline'
        ? `${showPh(ph.ph - ph.high)} over`
        : 'nothing to correct';
  return {
    scale,
    words,
    off,
    track: (
      <Track
        scale={scale}
        value={ph.ph}
        shown={showPh(ph.ph)}
        width={width}
        label={ph.says}
        window={{ name: 'window', aim: ph.aim }}
      />
    ),
  };
}

function Tracks({ read }: { read: Interpretation }) {
  const [ref, width] = useWidth<HTMLDivElement>(396);
  const ph = read.ph && PhTrack({ ph: read.ph, width });
  return (
    <div className="tracks">
      <div className="thead" aria-hidden="true">
        <span />
        <div className="c" ref={ref}>
          <span>
            <ColumnGlyph place="low" /> Low
          </span>
          <span>
            <ColumnGlyph place="enough" /> Enough
          </span>
          <span>
            <ColumnGlyph place="high" /> High
          </span>
        </div>
      </div>
      {read.ph && ph && (
        <div className="trow">
          <div className="nm">
            <b>Soil pH</b>
            {read.ph.converted ? 'CaCl2 + 0.6' : 'in water'}
          </div>
          <div className="columns">{ph.track}</div>
          <div className="vd">
            <p className="verdict">
              <ColumnGlyph
                place={read.ph.place === 'too-acid' ? 'low' : read.ph.place === 'inside' ? 'enough' : 'high'}
              />
              {ph.words}
            </p>
            <p className="d">{ph.off}</p>
          </div>
        </div>
      )}
      {read.findings.map((finding) => (
        <div className="trow" key={finding.analyte + finding.method}>
          <div className="nm">
            <b>{ANALYTE_NAMES[finding.analyte]}</b>
            {finding.analyte}, {finding.unit || 'index'}
            {finding.reading.conversion && ` (${showExact(finding.reading.reported)} ${finding.reading.reportedUnit})`}
          </div>
          <div className="columns">
            {finding.range && finding.level !== 'unreadable' ? (
              <Track
                scale={scaleOf(finding)}
                value={finding.value}
                shown={showExact(Number(finding.value.toPrecision(4)), 1)}
                width={width}
                label={finding.says}
              />
            ) : (
              <p className="note" style={{ padding: '16px 8px' }}>
                {showExact(finding.value)} {finding.unit}, not judged
              </p>
            )}
          </div>
          <div className="vd">
            <p className="verdict">
              <ColumnGlyph place={glyphPlace(finding.level)} />
              <span className="cap">{levelInWords(finding.level)}</span>
            </p>
            <p className="d">{distance(finding)}</p>
          </div>
        </div>
      ))}
      <div className="desc">
        <span className="small">Described, not judged:</span>
        {read.described.map((reading) => (
          <span key={reading.analyte}>
            <b>
              {reading.qualifier}
              {showExact(reading.reported)}
            </b>{' '}
            <Substances text={`${reading.reportedUnit} ${ANALYTE_NAMES[reading.analyte] ?? reading.analyte}`} />
          </span>
        ))}
      </div>
    </div>
  );
}

/** Findings that change something this year come first. */
const byWeight = (a: Finding, b: Finding): number =>
  ['very-low', 'low', 'high', 'unreadable', 'enough'].indexOf(a.level) -
  ['very-low', 'low', 'high', 'unreadable', 'enough'].indexOf(b.level);

function Ordered({ consequence }: { consequence: Consequence }) {
  const { before, figure, show, after } = consequence;
  return (
    <>
      {before}
      {figure && show && <Fig figure={figure} show={show} />}
      <Substances text={after} />
    </>
  );
}

function Findings({ read, prescription }: { read: Interpretation; prescription: ZonePrescription }) {
  const rows = read.findings.map((f) =>
    f.method ? BUILT_IN_PACKS.sufficiency.get(`${f.analyte}/${f.method}`)?.source : undefined,
  );
  const packs = [...new Set(rows.filter((source) => source !== undefined))];
  return (
    <section className="finds" aria-labelledby="findings">
      <h2 id="findings">Findings, and what follows</h2>
      {read.ph && (
        <div className="fd">
          <ColumnGlyph place={read.ph.place === 'too-acid' ? 'low' : read.ph.place === 'inside' ? 'enough' : 'high'} />
          <p className="f">{read.ph.says}</p>
          <p className="c">
            <Ordered consequence={phConsequence(prescription)} />
          </p>
        </div>
      )}
      {[...read.findings].sort(byWeight).map((finding) => (
        <div className="fd" key={finding.analyte + finding.method}>
          <ColumnGlyph place={glyphPlace(finding.level)} />
          <p className="f">
            {finding.says}
            {finding.level !== 'unreadable' && finding.method && <span className="small"> {finding.method}.</span>}
          </p>
          <p className="c">
            <Ordered consequence={consequenceOf(finding, prescription)} />
          </p>
        </div>
      ))}
      {read.doubts.length > 0 && (
        <div className="doubts">
          <h2>Doubts about the report</h2>
          <ul>
            {read.doubts.map((doubt) => (
              <li className="caution" key={doubt}>
                <WarnGlyph />
                <span>
                  <b>Doubt</b> {doubt}
                </span>
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="small" style={{ marginTop: 8 }}>
        {packs.map((source) => (
          <span key={source.name}>
            Ranges: {source.name}, {source.cite} ({source.standing}).{' '}
          </span>
        ))}
      </p>
    </section>
  );
}

export default function Read() {
  const { file, zone, zoneSeason, today } = usePropertyWork();
  const [search, setSearch] = useSearchParams();
  const [editing, setEditing] = useState<'new' | string>();
  const fetcher = useFetcher();
  const offerUndo = useOfferUndo();
  if (!zone)
    return (
      <div className="empty">
        <p>A report belongs to a zone, and there is none yet. Measure the ground first.</p>
      </div>
    );
  const tests = (file.soilTests ?? [])
    .filter((t) => t.zoneId === zone.id)
    .sort((a, b) => b.sampledOn.localeCompare(a.sampledOn));
  const shown = tests.find((t) => t.id === search.get('report')) ?? latestTest(tests, zone.id);
  const latest = latestTest(tests, zone.id);
  const show = (id: string) =>
    setSearch((before) => {
      before.set('report', id);
      return before;
    });
  const form = editing !== undefined || !shown;
  const formTest = tests.find((t) => t.id === editing);
  const read = shown && (shown === latest ? zoneSeason?.read : interpretZone(zone, shown, { asOf: today }));
  const prescription =
    shown === latest
      ? zoneSeason?.prescription
      : prescribeZone({
          zone,
          test: shown,
          products: file.products ?? [],
          codes: file.codes ?? [],
          choices: file.choices,
          asOf: today,
        }).prescription;
  const remove = () => {
    if (!shown) return;
    void fetcher.submit({ intent: 'remove', testId: shown.id }, { method: 'post', encType: 'application/json' });
    offerUndo(
      `The report of ${showDate(shown.sampledOn)} was removed.`,
      () =>
        void fetcher.submit({ intent: 'restore', test: shown } as never, {
          method: 'post',
          encType: 'application/json',
        }),
    );
  };
  return (
    <div className="read">
      <div className="pagehead">
        <h1>{form && !shown ? 'Typing the report' : 'Reading the soil'}</h1>
        <span className="small">
          {zone.name}, {grassOf(zone.grass).name}
          {shown && !form && (
            <>
              , cores {shown.depthIn === undefined ? 'of unknown depth' : `to ${shown.depthIn} in`},{' '}
              {showDate(shown.sampledOn)}
              {shown.lab && `, ${shown.lab}`}
            </>
          )}
        </span>
        <span className="sp" />
        {!form && (
          <>
            {tests.length > 1 && (
              <Select
                aria-label="Report"
                value={shown?.id}
                onChange={show}
                options={tests.map((t) => ({ value: t.id, label: showDate(t.sampledOn) }))}
                virtual={false}
              />
            )}
            <Button onClick={() => setEditing(shown?.id)}>Correct it</Button>
            <Button onClick={remove}>Remove</Button>
            <Button type="primary" onClick={() => setEditing('new')}>
              Type a report
            </Button>
          </>
        )}
      </div>
      {form && !shown && (
        <p className="empty" style={{ padding: '0 var(--gutter) 8px' }}>
          No report yet. Until one is read, only nitrogen by the grass is prescribed: no lime, no sulfur, no phosphorus,
          no potassium.
        </p>
      )}
      {form ? (
        <ReportForm
          key={`${zone.id}-${editing ?? 'first'}-${tests.length}`}
          zoneId={zone.id}
          test={formTest}
          today={today}
          onCancel={shown ? () => setEditing(undefined) : undefined}
          onKept={() => setEditing(undefined)}
        />
      ) : (
        read &&
        prescription && (
          <div className="rd">
            <Tracks read={read} />
            <Findings read={read} prescription={prescription} />
          </div>
        )
      )}
    </div>
  );
}
