import { prescribeIron, prescribeMicronutrients } from '@core/prescription/prescribe-others';
import type { ZonePrescription } from '@core/prescription/prescription';
import { analyteName } from '@core/records/analytes';
import { type Interpretation, levelInWords, type Finding } from '@core/soil/interpret';
import { Fig } from '../../../ui/fig';
import { showWeight } from '@core/words/numbers';
import { ColumnGlyph } from '../../../ui/glyphs';
import type { Dose } from '@core/season/plan/dose';
import { LedgerLines } from './ledger-lines';
import { DoseList, Line, ZoneTotal } from './line';

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
export function OtherLines({
  at,
  prescription,
  read,
  doses,
}: {
  at: number;
  prescription: ZonePrescription;
  read: Interpretation | undefined;
  /** Gypsum of the year. */
  doses: readonly Dose[];
}) {
  const { gypsum, salinity, toxic } = prescription;
  const iron = prescribeIron(read);
  const micro = prescribeMicronutrients(read);
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
              <Fig figure={gypsum.figure} show={showWeight} /> lb gypsum
              <p>per 1000 sq ft, in all</p>
              <ZoneTotal figure={gypsum.figure} substance="gypsum" />
            </>
          }
          doses={
            doses.length > 0 ? (
              <DoseList doses={doses} />
            ) : (
              <p className="nodose">
                {gypsum.doses.length} of {showWeight(gypsum.doses[0] ?? 0)} lb gypsum, with leaching water
              </p>
            )
          }
        >
          <p>{gypsum.says}</p>
          <LedgerLines ledger={gypsum.ledger} substance="gypsum" />
        </Line>
      )}
      {(micro.length > 0 || toxic.length > 0 || salinity.standing === 'saline') && (
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
          {toxic.map((each) => (
            <p key={`toxic-${each.analyte}`}>{each.says}</p>
          ))}
          {salinity.standing === 'saline' && <p>{salinity.says}</p>}
        </Line>
      )}
    </>
  );
}
