import type { Zone } from '@core/records/case';
import type { RulePacks } from '@core/packs/rule-packs';
import { figureOf, traced } from '@core/reckoning/figure';
import type { ZonePrescription } from '@core/prescription/prescription';
import { exchangeableSodiumOf } from '@core/soil/exchangeable-sodium';
import { isRefusal } from '@core/reckoning/refusal';
import { mehlichAcidity } from '@core/lime/mehlich-acidity';
import { cecBySum, PPM_PER_CMOLC } from '@core/soil/cec';
import type { Interpretation } from '@core/soil/interpret';
import { saturationBar } from '@core/soil/other-schools';
import { carbonateStanding, findReading } from '@core/soil/report';
import { Quiet } from '@core/reckoning/work';
import { SODIC_ESP_PERCENT, SODIC_SAR } from '@core/soil/sodium';
import { Fig } from '../../ui/fig';
import { showExact } from '@core/words/numbers';
import { Said } from '../../ui/substance';

const percent = (value: number): string => showExact(value, 1);

/** Base saturation by the sum of cations, sodium, salinity and carbonate: what the report says beside the nutrients. */
export function Cations({
  zone,
  read,
  prescription,
  packs,
}: {
  zone: Zone;
  read: Interpretation;
  prescription: ZonePrescription;
  packs: RulePacks;
}) {
  const value = (analyte: 'Ca' | 'Mg' | 'K' | 'Na') => findReading(read.readings, analyte)?.value;
  const [ca, mg, k, na] = [value('Ca'), value('Mg'), value('K'), value('Na')];
  const buffer = findReading(read.readings, 'buffer-pH');
  const fromBuffer =
    buffer?.value !== undefined && buffer.method === 'mehlich' ? mehlichAcidity(buffer.value, new Quiet()) : undefined;
  const acidity =
    findReading(read.readings, 'acidity')?.value ?? (typeof fromBuffer === 'number' ? fromBuffer : undefined);
  const labCec = findReading(read.readings, 'CEC')?.value;
  const carbonate = carbonateStanding(zone, read.readings);
  const carbonatePercent = findReading(read.readings, 'CaCO3')?.value ?? zone.calciumCarbonatePercent;
  const { salinity, gypsum } = prescription;
  const sar = findReading(read.readings, 'SAR');
  const figure = (part: string, title: string) =>
    ca === undefined || mg === undefined
      ? undefined
      : figureOf(
          cecBySum,
          {
            caPpm: traced(ca, 'soil report'),
            mgPpm: traced(mg, 'soil report'),
            kPpm: traced(k ?? 0, k === undefined ? 'not reported, taken as none' : 'soil report'),
            naPpm: traced(na ?? 0, na === undefined ? 'not reported, taken as none' : 'soil report'),
            acidity: traced(
              acidity ?? 0,
              acidity === undefined
                ? 'no Mehlich buffer on the report, taken as none'
                : 'Mehlich buffer, scooped soil taken as 1 g/cm³',
            ),
          },
          { title, unit: part === 'cec' ? 'cmolc/kg' : '% of CEC', part, usedIn: 'Read: base saturation.' },
        );
  const shares = (
    [
      ['Ca', 'Calcium', 'caPercent'],
      ['Mg', 'Magnesium', 'mgPercent'],
      ['K', 'Potassium', 'kPercent'],
      ['Na', 'Sodium', 'naPercent'],
      [undefined, 'Acidity', 'acidityPercent'],
    ] as const
  ).flatMap(([cation, name, part]) => {
    const share = figure(part, `${name}, share of CEC`);
    return share && !isRefusal(share) ? [{ cation, name, share }] : [];
  });
  const cec = figure('cec', 'CEC by sum of cations');
  const bar = saturationBar(zone, read.readings);
  const sodium = exchangeableSodiumOf(read.readings);
  const { percentOfCec, source } = packs.saturation;
  if (
    shares.length === 0 &&
    !salinity.ece &&
    !sodium &&
    carbonatePercent === undefined &&
    zone.carbonates === undefined
  )
    return null;
  return (
    <section className="cations" aria-labelledby="cations">
      <h2 id="cations">Cations, salt and lime</h2>
      {shares.length > 0 && cec && !isRefusal(cec) && (
        <>
          <table>
            <thead>
              <tr>
                <th scope="col">Share of CEC</th>
                <th scope="col">% by sum</th>
                {labCec !== undefined && <th scope="col">% by the laboratory’s CEC</th>}
                <th scope="col">aimed at by that school</th>
              </tr>
            </thead>
            <tbody>
              {shares.map(({ cation, name, share }) => (
                <tr key={name}>
                  <th scope="row">{name}</th>
                  <td>
                    {cation === 'Na' && na === undefined ? (
                      '–'
                    ) : name === 'Acidity' && acidity === undefined ? (
                      '–'
                    ) : (
                      <Fig figure={share} show={percent} />
                    )}
                  </td>
                  {labCec !== undefined && (
                    <td>
                      {cation && value(cation) !== undefined
                        ? percent(((value(cation) as number) / PPM_PER_CMOLC[cation] / labCec) * 100)
                        : ''}
                    </td>
                  )}
                  <td className="small">{cation && cation !== 'Na' ? percentOfCec[cation].join(' to ') : ''}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="small">
            CEC by sum <Fig figure={cec} show={percent} />
            {labCec !== undefined && `, by the laboratory ${showExact(labCec)}`} cmolc/kg.{' '}
            {bar ? `It misleads here: ${bar}.` : ''} Aims: {source.cite}.
          </p>
        </>
      )}
      {sodium && (
        <p className={sodium.espPercent >= SODIC_ESP_PERCENT ? 'is-high' : undefined}>
          <b>Sodium</b> is {sodium.figure ? <Fig figure={sodium.figure} show={percent} /> : percent(sodium.espPercent)}{' '}
          % of CEC by {sodium.by === 'ESP' ? 'the laboratory' : sodium.by}:{' '}
          {sodium.espPercent >= SODIC_ESP_PERCENT ? 'sodic' : 'not sodic'}, the line is {SODIC_ESP_PERCENT} %.
          {sar?.value !== undefined && ` SAR is ${showExact(sar.value, 1)}, sodic from ${SODIC_SAR}.`}{' '}
          {gypsum.yearLb > 0 && gypsum.says}
        </p>
      )}
      {salinity.ece && (
        <p className={salinity.standing === 'saline' ? 'is-high' : undefined}>
          <b>Salinity</b> <Fig figure={salinity.ece} show={percent} /> dS/m as the paste: <Said text={salinity.says} />
        </p>
      )}
      <p>
        <b>Carbonate</b>{' '}
        {carbonate === 'present'
          ? `${carbonatePercent === undefined ? 'fizzes' : `${showExact(carbonatePercent)} %`}: sulfur is spent on it before the pH moves.`
          : carbonate === 'absent'
            ? 'none found.'
            : 'not tested: a drop of acid on the soil tells.'}
      </p>
    </section>
  );
}
