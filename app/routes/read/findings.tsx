import type { RulePacks } from '@core/packs/rule-packs';
import type { ZonePrescription } from '@core/prescription/prescription';
import type { Finding, Interpretation } from '@core/soil/interpret';
import type { Reading } from '@core/soil/report';
import { sayDate } from '@core/words/days';
import { Fig } from '../../ui/fig';
import { ColumnGlyph, WarnGlyph } from '../../ui/glyphs';
import { Said, Substances } from '../../ui/substance';
import { type Consequence, consequenceOf, phConsequence } from '../../work/consequence';
import { glyphPlace } from './tracks';
import { useUnits } from '../../ui/format';

/** Findings that change something this year come first. */
const byWeight = (a: Finding, b: Finding): number =>
  ['very-low', 'low', 'high', 'unreadable', 'enough'].indexOf(a.level) -
  ['very-low', 'low', 'high', 'unreadable', 'enough'].indexOf(b.level);

/** The day of a value that the newest report does not hold. */
function OlderDay({ reading, newest }: { reading: Reading; newest: string }) {
  return reading.from.sampledOn === newest || reading.from.sampledOn === '' ? null : (
    <span className="small older"> Of {sayDate(reading.from.sampledOn)}.</span>
  );
}

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

export function Findings({
  read,
  prescription,
  packs: rules,
}: {
  read: Interpretation;
  prescription: ZonePrescription;
  packs: RulePacks;
}) {
  const units = useUnits();
  const rows =
    read.school === 'sufficiency'
      ? read.findings.map((f) => (f.method ? rules.sufficiency.get(`${f.analyte}/${f.method}`)?.source : undefined))
      : [rules[read.school].source];
  const packs = [...new Set(rows.filter((source) => source !== undefined))];
  return (
    <section className="finds" aria-labelledby="findings">
      <h2 id="findings">Findings, and what follows</h2>
      {read.ph && (
        <div className="fd">
          <ColumnGlyph place={read.ph.place === 'too-acid' ? 'low' : read.ph.place === 'inside' ? 'enough' : 'high'} />
          <p className="f">
            <Said text={read.ph.says} />
            <OlderDay reading={read.ph.reading} newest={read.sampledOn} />
          </p>
          <p className="c">
            <Ordered consequence={phConsequence(prescription, units)} />
          </p>
        </div>
      )}
      {[...read.findings].sort(byWeight).map((finding) => (
        <div className="fd" key={finding.analyte + finding.method}>
          <ColumnGlyph place={glyphPlace(finding.level)} />
          <p className="f">
            <Said text={finding.says} />
            {finding.level !== 'unreadable' && finding.method && <span className="small"> {finding.method}.</span>}
            <OlderDay reading={finding.reading} newest={read.sampledOn} />
          </p>
          <p className="c">
            <Ordered consequence={consequenceOf(finding, prescription, units)} />
          </p>
        </div>
      ))}
      <div className="fd">
        <ColumnGlyph place="none" />
        <p className="f">
          Nitrogen is not read from a soil test: it comes and goes within weeks, and the grass and its care set it.
        </p>
        <p className="c">
          <Fig figure={prescription.nitrogen.year} show={units.rate} /> {units.heading('nutrient-rate', 'N')} this year.
        </p>
      </div>
      {read.doubts.length > 0 && (
        <div className="doubts">
          <h2>Doubts about the report</h2>
          <ul>
            {read.doubts.map((doubt) => (
              <li className="caution" key={doubt}>
                <WarnGlyph />
                <span>
                  <b>Doubt</b> <Said text={doubt} />
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
