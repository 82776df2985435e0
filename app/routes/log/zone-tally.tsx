import type { Substance, ZoneLedger } from '@core/ledger/ledger';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { useUnits } from '../../ui/format';
import { Substances } from '../../ui/substance';

const ROWS: readonly [Substance, string][] = [
  ['N', 'N'],
  ['N-soluble', 'N, soluble'],
  ['P2O5', 'P2O5'],
  ['K2O', 'K2O'],
  ['S-free', 'S, free'],
  ['lime', 'Lime, as CaCO3'],
];

/** What went down on a zone this year beside the plan and the prescription, and how far it is from where the plan would be today. */
export function ZoneTally({
  ledger,
  season,
  codeN,
}: {
  ledger: ZoneLedger;
  season: ZoneSeason | undefined;
  codeN: number | undefined;
}) {
  const units = useUnits();
  const { year, planned, rolling } = ledger;
  const asked: Partial<Record<Substance, number>> = season
    ? {
        N: season.prescription.nitrogen.year.value,
        P2O5: season.prescription.phosphorus.yearLb,
        K2O: season.prescription.potassium.yearLb,
      }
    : {};
  const rate = (lb: number | undefined) => (lb === undefined ? '–' : units.rate(lb));
  const drift = planned && year.N - planned.toDate.N;
  return (
    <>
      <table className="dosetable zonetally">
        <caption className="vh">{ledger.zone.name}: given, planned and prescribed</caption>
        <thead>
          <tr>
            <th scope="col">{units.heading('nutrient-rate', '')}</th>
            <th scope="col">given</th>
            <th scope="col">to date</th>
            <th scope="col">plan</th>
            <th scope="col">asked</th>
          </tr>
        </thead>
        <tbody>
          {ROWS.filter(([each]) => year[each] > 0 || (planned?.year[each] ?? 0) > 0 || (asked[each] ?? 0) > 0).map(
            ([each, name]) => (
              <tr key={each}>
                <th scope="row">
                  <Substances text={name} />
                </th>
                <td>
                  <b>{units.rate(year[each])}</b>
                </td>
                <td>{rate(planned?.toDate[each])}</td>
                <td>{rate(planned?.year[each])}</td>
                <td>{rate(asked[each])}</td>
              </tr>
            ),
          )}
        </tbody>
      </table>
      {drift !== undefined && (
        <p className="small">
          {Math.abs(drift) < 0.005
            ? 'N stands where the plan has it today.'
            : `${units.say('nutrient-rate', Math.abs(drift), 'N')} ${drift < 0 ? 'behind' : 'ahead of'} the plan today.`}
        </p>
      )}
      {codeN !== undefined && (
        <p className="small">
          {units.say('nutrient-rate', rolling.N, 'N')} in 365 days; the local code allows{' '}
          {units.say('nutrient-rate', codeN, 'N')} a year.
        </p>
      )}
    </>
  );
}
