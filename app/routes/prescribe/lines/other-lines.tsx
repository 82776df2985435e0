import { FOLIAR, isFoliarPurpose } from '@core/foliar/foliar-feeds';
import { prescribeMicronutrients } from '@core/prescription/prescribe-others';
import type { ZonePrescription } from '@core/prescription/prescription';
import { analyteName } from '@core/records/analytes';
import { type Interpretation, levelInWords, type Finding } from '@core/soil/interpret';
import { Fragment } from 'react';
import { Fig } from '../../../ui/fig';
import { Said } from '../../../ui/substance';
import { ColumnGlyph } from '../../../ui/glyphs';
import type { Dose } from '@core/season/plan/dose';
import { LedgerLines } from './ledger-lines';
import { DoseList, Line, type OwnAsk, OwnButton, ZoneTotal } from './line';
import { useUnits } from '../../../ui/format';

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
  onAsk,
}: {
  at: number;
  prescription: ZonePrescription;
  read: Interpretation | undefined;
  /** Gypsum and sprays of the year. */
  doses: readonly Dose[];
  onAsk: (ask: OwnAsk) => void;
}) {
  const units = useUnits();
  const material = (lb: number) => units.show('material-rate', lb);
  const { gypsum, salinity, toxic, foliar: sprays } = prescription;
  const gypsumDoses = doses.filter((dose) => dose.for === 'gypsum');
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
        own={sprays.find((each) => each.own)?.own}
        figure={
          <>
            {FOLIAR.map((purpose) => {
              const each = sprays.find((spray) => spray.purpose === purpose);
              // manganese has a line only where somebody looks out for it
              if (!each && purpose !== 'iron') return null;
              return (
                <Fragment key={purpose}>
                  <b className={each && each.sprays > 0 ? (each.own ? 'mine' : undefined) : 'none'}>
                    {each && each.sprays > 0
                      ? `${each.sprays} ${each.sprays === 1 ? 'spray' : 'sprays'}`
                      : each
                        ? 'watched'
                        : '—'}
                  </b>
                  <p>{purpose === 'iron' ? 'of iron, for color' : 'of manganese'}</p>
                  <OwnButton
                    ask={{
                      line: purpose === 'iron' ? 'iron-sprays' : 'manganese-sprays',
                      name: `sprays of ${purpose}`,
                      unit: 'sprays a year',
                      rule: each?.byRule ?? 0,
                      own: each?.own,
                    }}
                    onAsk={onAsk}
                  />
                </Fragment>
              );
            })}
          </>
        }
        doses={<DoseList doses={doses.filter((dose) => isFoliarPurpose(dose.for))} />}
      >
        {sprays.length === 0 && <p>Nothing without a test or a symptom.</p>}
        {sprays.map((each) => (
          <p key={each.purpose}>
            <Said text={each.says} />
          </p>
        ))}
      </Line>
      {gypsum.yearLb > 0 && gypsum.figure && (
        <Line
          at={at + 1}
          name="Gypsum"
          verdict="Sodic"
          figure={
            <>
              <Fig figure={gypsum.figure} show={material} /> {units.short('material-rate', 'gypsum')}
              <p>{units.unit('material-rate').replace(/^\S+ /, '')}, in all</p>
              <ZoneTotal figure={gypsum.figure} substance="gypsum" />
            </>
          }
          doses={
            gypsumDoses.length > 0 ? (
              <DoseList doses={gypsumDoses} />
            ) : (
              <p className="nodose">
                {gypsum.doses.length} of {material(gypsum.doses[0] ?? 0)} {units.short('material-rate', 'gypsum')}, with
                leaching water
              </p>
            )
          }
        >
          <p>
            <Said text={gypsum.says} />
          </p>
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
              {analyteName(each.analyte)}: {units.said(each.says).toLowerCase()}
            </p>
          ))}
          {toxic.map((each) => (
            <p key={`toxic-${each.analyte}`}>
              <Said text={each.says} />
            </p>
          ))}
          {salinity.standing === 'saline' && (
            <p>
              <Said text={salinity.says} />
            </p>
          )}
        </Line>
      )}
    </>
  );
}
