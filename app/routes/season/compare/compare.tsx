import { Button } from 'antd';
import { useId, useMemo } from 'react';
import type { Case, Plan, PlannedDose, Zone } from '@core/records/case';
import type { SeasonPlan } from '@core/season/plan/season-plan';
import { type PlanFigures, planFigures } from '@core/season/output/plan-figures';
import { withDoses } from '@core/season/plan/with-doses';
import { showMoney } from '@core/words/numbers';
import { StandingGlyph } from '../../../ui/glyphs';
import { MONTHS } from '../../../ui/year-plot';
import { type Units, useUnits } from '../../../ui/format';

/** As many plans as fit side by side and can be held in mind. */
export const MOST_COMPARED = 3;

interface Column {
  name: string;
  figures: PlanFigures;
  aside?: Plan;
}

const percentOr = (percent: number | undefined, otherwise: string): string =>
  percent === undefined ? otherwise : `${Math.round(percent)} %`;

const leach = (lb: number | undefined, units: Units): string =>
  lb === undefined ? 'no rain known' : `${units.rate(lb)} ${units.short('nutrient-rate', 'N')}`;

function Verdict({ figures }: { figures: PlanFigures }) {
  const { fails, warns } = figures;
  const standing = fails.length > 0 ? 'fail' : warns.length > 0 ? 'warn' : 'pass';
  return (
    <>
      <StandingGlyph standing={standing} />{' '}
      {standing === 'pass' ? 'all pass' : `${fails.length} fail, ${warns.length} warn`}
      {[...fails, ...warns].slice(0, 3).map((title) => (
        <span key={title} className="small block">
          {title}
        </span>
      ))}
    </>
  );
}

/** Plans side by side: what each costs, when its nitrogen comes, how much it makes to mow, what it could lose, what the checks say. */
export function Compare({
  file,
  draft,
  season,
  asides,
  zone,
  onSetAside,
  others,
  onTake,
  onDrop,
}: {
  file: Case;
  draft: SeasonPlan;
  season: SeasonPlan;
  asides: readonly Plan[];
  zone: Zone;
  onSetAside: () => void;
  /** Other programmes that can be set beside the plan: last year's, a school that is never planned. */
  others: readonly { label: string; onSet: (() => void) | undefined }[];
  onTake: (doses: PlannedDose[], name: string) => void;
  onDrop: (plan: Plan) => void;
}) {
  const units = useUnits();
  const id = useId();
  const columns = useMemo<Column[]>(
    () => [
      { name: 'On the board', figures: planFigures(file, season) },
      ...asides.slice(0, MOST_COMPARED - 1).map((aside) => ({
        name: aside.name ?? 'Set aside',
        figures: planFigures(file, withDoses(draft, file, aside.doses ?? [])),
        aside,
      })),
    ],
    [file, draft, season, asides],
  );
  const zoneOf = ({ figures }: Column) => figures.zones.find((z) => z.zoneId === zone.id);
  const months = MONTHS.map((_, month) => month).filter((month) =>
    columns.some((c) => (zoneOf(c)?.nitrogenByMonth[month] ?? 0) > 0.004),
  );
  const row = (title: string, cell: (column: Column) => React.ReactNode) => (
    <tr key={title}>
      <th scope="row">{title}</th>
      {columns.map((column) => (
        <td key={column.aside?.id ?? 'board'}>{cell(column)}</td>
      ))}
    </tr>
  );
  return (
    <section className="compare" aria-labelledby={`${id}-h`}>
      <div className="pagehead" style={{ padding: 0 }}>
        <h2 id={`${id}-h`}>Compare plans</h2>
        <span className="sp" />
        {others.map(({ label, onSet }) => (
          <Button key={label} size="small" disabled={!onSet || asides.length >= MOST_COMPARED - 1} onClick={onSet}>
            {label}
          </Button>
        ))}
        <Button size="small" disabled={asides.length >= MOST_COMPARED - 1} onClick={onSetAside}>
          Set this plan aside to compare
        </Button>
      </div>
      {asides.length === 0 && (
        <p className="note">
          Set the plan on the board aside, change a wish (a school, cheapest, fewest trips, a product), find another:
          they stand side by side here. Up to three.
        </p>
      )}
      <table className="dosetable">
        <thead>
          <tr>
            <th scope="col">
              <span className="vh">Figure</span>
            </th>
            {columns.map(({ name, aside }) => (
              <th scope="col" key={aside?.id ?? 'board'}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {row('Cost of what is bought', ({ figures }) => showMoney(figures.cost))}
          {row('Trips, doses', ({ figures }) => `${figures.trips} trips, ${figures.doses} doses`)}
          {months.map((month) =>
            row(`N in ${MONTHS[month]}, ${zone.name}`, (column) => {
              const lb = zoneOf(column)?.nitrogenByMonth[month] ?? 0;
              return lb > 0.004 ? `${units.rate(lb)} ${units.short('nutrient-rate', 'N')}` : '';
            }),
          )}
          {row(`Growth fit, ${zone.name}`, (column) =>
            percentOr(zoneOf(column)?.growthFitPercent, 'no growth to feed'),
          )}
          {columns.some((column) => zoneOf(column)?.afterSummerPercent !== undefined) &&
            row(`N after summer, ${zone.name}`, (column) => percentOr(zoneOf(column)?.afterSummerPercent, 'no N'))}
          {row(`Weeks of growth left bare, ${zone.name}`, (column) => `${zoneOf(column)?.bareWeeks ?? 0}`)}
          {row(`Thinnest feed, ${zone.name}`, (column) => {
            const granules = zoneOf(column)?.thinnestGranules;
            return granules === undefined
              ? 'no size on the labels'
              : `${units.onSquare(granules).count} granules ${units.onSquare(granules).of}`;
          })}
          {row(`Mowings to expect, ${zone.name}`, (column) => `about ${Math.round(zoneOf(column)?.mowings ?? 0)}`)}
          {row(`Could leach, ${zone.name}`, (column) => leach(zoneOf(column)?.leachableLb, units))}
          {row('Checks', ({ figures }) => (
            <Verdict figures={figures} />
          ))}
          {asides.length > 0 &&
            row('', ({ aside, name }) =>
              aside ? (
                <span className="acts">
                  {aside.comparisonOnly ? (
                    <span className="small block">For comparison only, never planned</span>
                  ) : (
                    <Button size="small" onClick={() => onTake([...(aside.doses ?? [])], name)}>
                      Use this plan
                    </Button>
                  )}{' '}
                  <Button size="small" onClick={() => onDrop(aside)}>
                    Delete
                  </Button>
                </span>
              ) : (
                ''
              ),
            )}
        </tbody>
      </table>
      <p className="small">
        Growth fit is what is free when growth asks for it, four weeks at a time. Mowings and leaching are estimates
        from growth, mean rain and evaporation, for telling plans apart; they forecast no year.
      </p>
    </section>
  );
}
