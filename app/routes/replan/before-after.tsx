import { doseKey } from '@core/season/plan/dose-key';
import type { Case, PlannedDose } from '@core/records/case';
import type { Offer } from '@core/replan/offers';
import { BADNESS } from '@core/season/checks/check';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import type { SeasonPlan } from '@core/season/plan/season-plan';
import { withDoses } from '@core/season/plan/with-doses';
import { showMoney } from '@core/words/numbers';
import { StandingGlyph } from '../../ui/glyphs';
import { useUnits } from '../../ui/format';
import { Said, Substances } from '../../ui/substance';
import { sayChecks } from './replan-words';

const NUTRIENTS = ['N', 'P2O5', 'K2O'] as const;

/** What an offer changes in sums: checks, trips, cost, and what each zone gets in the year; the old rest with what went down beside it. */
export function BeforeAfter({
  file,
  draft,
  leave,
  offer,
}: {
  file: Case;
  draft: SeasonPlan;
  leave: Offer;
  offer: Offer;
}) {
  const units = useUnits();
  const brought = (of: Offer) =>
    withDoses(draft, file, of.doses).zones.map(({ zone, doses }) => ({
      zone,
      lb: NUTRIENTS.map((nutrient) => doses.reduce((sum, { delivers }) => sum + (delivers[nutrient] ?? 0), 0)),
    }));
  const [was, is] = [brought(leave), brought(offer)];
  const rows = was.flatMap(({ zone, lb }, z) =>
    NUTRIENTS.flatMap((nutrient, n) => {
      const [before, after] = [lb[n] ?? 0, is[z]?.lb[n] ?? 0];
      return before > 0.004 || after > 0.004 ? [{ name: zone.name, nutrient, before, after }] : [];
    }),
  );
  const facts = [
    ['Checks', sayChecks(leave), sayChecks(offer)],
    ['Trips of the year', String(leave.judged.trips), String(offer.judged.trips)],
    ['Bags to buy, year', showMoney(leave.judged.cost), showMoney(offer.judged.cost)],
  ] as const;
  return (
    <>
      <h2>Before and after</h2>
      <table className="dosetable beforeafter">
        <thead>
          <tr>
            <td />
            <th scope="col">old rest</th>
            <th scope="col">this offer</th>
          </tr>
        </thead>
        <tbody>
          {facts.map(([name, before, after]) => (
            <tr key={name} className={before === after ? undefined : 'changed'}>
              <th scope="row">{name}</th>
              <td>{before}</td>
              <td>{after}</td>
            </tr>
          ))}
          <tr>
            <th scope="row" colSpan={3}>
              {units.heading('nutrient-rate', '')}, year
            </th>
          </tr>
          {rows.map(({ name, nutrient, before, after }) => (
            <tr key={name + nutrient} className={Math.abs(before - after) < 0.005 ? undefined : 'changed'}>
              <th scope="row">
                <Substances text={`${nutrient}, ${name}`} />
              </th>
              <td>{units.rate(before)}</td>
              <td>{units.rate(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

const keyOf = (check: JudgedPlan['checks'][number]) => `${check.zoneId ?? ''}/${check.id}`;

/** Checks that stand otherwise than in the old rest, and those that do not pass in either. */
export function ChecksThatChange({
  leave,
  offer,
  given,
}: {
  leave: Offer;
  offer: Offer;
  given: readonly PlannedDose[];
}) {
  const down = new Set(given.map(doseKey));
  /** What is at fault went down already: no plan changes it. */
  const isDone = ({ doses = [] }: JudgedPlan['checks'][number]) =>
    doses.length > 0 && doses.every((key) => down.has(key));
  const was = new Map(leave.judged.checks.map((check) => [keyOf(check), check]));
  const is = new Map(offer.judged.checks.map((check) => [keyOf(check), check]));
  const rows = [...new Set([...was.keys(), ...is.keys()])].flatMap((key) => {
    const [before, after] = [was.get(key), is.get(key)];
    const [b, a] = [BADNESS[before?.standing ?? 'pass'], BADNESS[after?.standing ?? 'pass']];
    const check = after ?? before;
    return (b === 0 && a === 0) || !check
      ? []
      : [
          {
            key,
            check,
            before,
            after,
            word: a < b ? 'mended' : a > b ? 'broken' : isDone(check) ? 'went down so' : 'stays',
          },
        ];
  });
  if (rows.length === 0) return <p className="small">Every check of the year passes.</p>;
  return (
    <>
      <h2>{leave === offer ? 'Checks that do not pass' : 'Checks that change'}</h2>
      <ul className="changing">
        {rows.map(({ key, check, before, after, word }) => (
          <li key={key}>
            <StandingGlyph standing={after?.standing ?? 'pass'} />
            <span>
              <b>
                <Said text={`${check.title}${check.zoneName ? `, ${check.zoneName}` : ''}`} />
              </b>
              <br />
              <Said text={before?.found ?? 'did not apply'} />
              {leave !== offer && before?.found !== after?.found && (
                <>
                  {' → '}
                  <Said text={after?.found ?? 'does not apply'} />
                </>
              )}
            </span>
            {(leave !== offer || word === 'went down so') && <span className={word.replaceAll(' ', '-')}>{word}</span>}
          </li>
        ))}
      </ul>
    </>
  );
}
