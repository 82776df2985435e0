import {
  prescribeGypsum,
  prescribeIron,
  prescribeMicronutrients,
  prescribeSalinity,
} from '@core/prescription/prescribe-others';
import type { ZoneFacts } from '@core/prescription/zone-facts';
import { analyteName } from '@core/records/analytes';
import { type Interpretation, levelInWords, type Finding } from '@core/soil/interpret';
import { Fig } from '../../../ui/fig';
import { showWeight } from '@core/words/numbers';
import { ColumnGlyph } from '../../../ui/glyphs';
import { Line, ZoneTotal } from './line';

const levelOf = (finding: Finding | undefined) =>
  finding === undefined
    ? { place: 'none' as const, word: 'Not tested' }
    : {
        place:
          finding.level === 'very-low' || finding.level === 'low'
            ? ('low' as const)
            : finding.level === 'unreadable'
              ? ('none' as const)
              : finding.level,
        word: levelInWords(finding.level),
      };

/** Iron, micronutrients, gypsum and salt: what is left when the six are judged. */
export function OtherLines({ at, facts, read }: { at: number; facts: ZoneFacts; read: Interpretation | undefined }) {
  const iron = prescribeIron(read);
  const gypsum = prescribeGypsum(facts, read);
  const micro = prescribeMicronutrients(read);
  const salinity = prescribeSalinity(read);
  const fe = levelOf(read?.findings.find((finding) => finding.analyte === 'Fe'));
  return (
    <>
      <Line
        at={at}
        name="Iron"
        verdict={
          <>
            <ColumnGlyph place={fe.place} /> <span className="cap">{fe.word}</span>
          </>
        }
        figure={
          <>
            <b className="none">{iron.action === 'foliar' ? 'foliar' : '—'}</b>
            <p>{iron.action === 'foliar' ? 'for color only' : 'nothing to give'}</p>
          </>
        }
        doses={<p className="nodose">no dose</p>}
      >
        <p>{iron.says}</p>
      </Line>
      {gypsum.yearLb > 0 && gypsum.figure && (
        <Line
          at={at + 1}
          name="Gypsum"
          verdict="Sodic"
          figure={
            <>
              <b>{showWeight(gypsum.yearLb)}</b> lb gypsum
              <p>
                <Fig figure={gypsum.figure} show={showWeight} /> lb gypsum, then times 1.25
              </p>
              <ZoneTotal figure={gypsum.figure} substance="gypsum" />
            </>
          }
          doses={
            <p className="nodose">
              {gypsum.doses.length} of {showWeight(gypsum.doses[0] ?? 0)} lb gypsum, with leaching water
            </p>
          }
        >
          <p>{gypsum.says}</p>
        </Line>
      )}
      {(micro.length > 0 || salinity.standing === 'saline') && (
        <Line
          at={at + (gypsum.yearLb > 0 ? 2 : 1)}
          name="Watch"
          figure={<b className="none">—</b>}
          doses={<p className="nodose">no dose</p>}
        >
          {micro.map((each) => (
            <p key={each.analyte}>
              {analyteName(each.analyte)}: {each.says.toLowerCase()}
            </p>
          ))}
          {salinity.standing === 'saline' && <p>{salinity.says}</p>}
        </Line>
      )}
    </>
  );
}
