import { analyteName } from '@core/records/analytes';
import { type Finding, type Interpretation, levelInWords, type PhFinding } from '@core/soil/interpret';
import { showExact, showPh, significant } from '@core/words/numbers';
import { ColumnGlyph } from '../../ui/glyphs';
import { Substances } from '../../ui/substance';
import { Track, type TrackScale } from '../../ui/track';
import { useWidth } from '../../ui/use-width';
import { useUnits } from '../../ui/format';

/** Ends of a nutrient's track: zero to twice the upper bound, so that the bounds sit in the columns. */
const scaleOf = (finding: Finding): TrackScale => ({
  from: 0,
  enough: finding.range?.enough ?? 0,
  high: finding.range?.high ?? 1,
  to: 2 * (finding.range?.high ?? 1),
});

export const glyphPlace = (level: Finding['level']): 'low' | 'enough' | 'high' | 'none' =>
  level === 'very-low' || level === 'low' ? 'low' : level === 'unreadable' ? 'none' : level;

function distance(finding: Finding): string {
  if (!finding.range || finding.level === 'unreadable') return '';
  const { enough, high } = finding.range;
  if (finding.level === 'high') return `${showExact(significant(finding.value - high, 3))} over`;
  if (finding.level === 'enough') return `${showExact(significant(finding.value - enough, 3))} inside`;
  return `${showExact(significant(enough - finding.value, 3))} under`;
}

function PhTrack({ ph, width }: { ph: PhFinding; width: number }) {
  const units = useUnits();
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
        label={units.said(ph.says)}
        window={{ name: 'window', aim: ph.aim }}
      />
    ),
  };
}

/** What is on the report, each on its track. The tracks are sufficiency's; the verdict beside them is the chosen school's. */
export function Tracks({ read, judged }: { read: Interpretation; judged: Interpretation }) {
  const units = useUnits();
  const [ref, width] = useWidth<HTMLDivElement>(396);
  const ph = read.ph && PhTrack({ ph: read.ph, width });
  // salt and sodium are judged below, with the cations
  const described = read.described.filter((reading) => !['EC', 'ESP', 'SAR'].includes(reading.analyte));
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
            <b>{analyteName(finding.analyte)}</b>
            {finding.analyte}, {finding.unit || 'index'}
            {finding.reading.conversion && ` (${showExact(finding.reading.reported)} ${finding.reading.reportedUnit})`}
          </div>
          <div className="columns">
            {finding.range && finding.level !== 'unreadable' ? (
              <Track
                scale={scaleOf(finding)}
                value={finding.value}
                shown={showExact(significant(finding.value, 4), 1)}
                width={width}
                label={units.said(finding.says)}
              />
            ) : (
              <p className="note" style={{ padding: '16px 8px' }}>
                {showExact(finding.value)} {finding.unit}, not judged
              </p>
            )}
          </div>
          <div className="vd">
            <Verdict
              finding={judged.findings.find((f) => f.analyte === finding.analyte && f.method === finding.method)}
            />
          </div>
        </div>
      ))}
      {described.length > 0 && (
        <div className="desc">
          <span className="small">Described, not judged:</span>
          {described.map((reading) => (
            <span key={reading.analyte}>
              <b>
                {reading.qualifier}
                {showExact(reading.reported)}
              </b>{' '}
              <Substances text={`${reading.reportedUnit} ${analyteName(reading.analyte)}`} />
            </span>
          ))}
        </div>
      )}
    </div>
  );
}

function Verdict({ finding }: { finding: Finding | undefined }) {
  if (!finding)
    return (
      <>
        <p className="verdict">
          <ColumnGlyph place="none" /> Not judged
        </p>
        <p className="d">by this school</p>
      </>
    );
  return (
    <>
      <p className="verdict">
        <ColumnGlyph place={glyphPlace(finding.level)} />
        <span className="cap">{levelInWords(finding.level)}</span>
      </p>
      <p className="d">
        {finding.unit === '%' ? `${showExact(significant(finding.value, 3))} % of CEC` : distance(finding)}
      </p>
    </>
  );
}
