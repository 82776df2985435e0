import { lazy, Suspense } from 'react';
import { daysBetween } from '@core/days/day';

import { useUnits } from '../../../ui/format';
import { useMounted } from '../../../ui/use-mounted';
import type { SeasonBoardState } from '../use-season-board';

const WeeklyNitrogenChart = lazy(() => import('../../../ui/charts/weekly-nitrogen-chart'));

/** What growth asks for and what the doses make free, week by week. */
export function ZoneNitrogen({ at: { zone, year, today, weekly, supply } }: { at: SeasonBoardState }) {
  const units = useUnits();
  const mounted = useMounted();
  if (!weekly) return null;
  const todayDay = today.startsWith(String(year)) ? daysBetween(`${year}-01-01`, today) : undefined;
  return (
    <div className="chart">
      <div className="nm">
        <b>Nitrogen, {zone.name}</b>
        {units.unit('nutrient-rate', 'N')}, each week
        <span className="key">
          <i /> growth asks
        </span>
        <span className="key">
          <i className="down" /> planned
        </span>
        {supply.some((s) => s.given) && (
          <span className="key">
            <i className="given" /> given
          </span>
        )}
        {weekly.heldLb > 0.02 && (
          <span>
            {units.rate(weekly.heldLb)} {units.short('nutrient-rate', 'N')} still held at New Year
          </span>
        )}
      </div>
      {mounted && (
        <Suspense fallback={<div style={{ height: 200 }} />}>
          <WeeklyNitrogenChart
            demand={weekly.demand}
            supply={supply}
            todayDay={todayDay}
            left={164}
            units={units}
            label={`Nitrogen by the week of ${year}: growth asks ${units.rate(weekly.demand.reduce((a, b) => a + b, 0))} ${units.unit('nutrient-rate', 'N')}, ${supply.length} doses make ${units.rate(supply.reduce((sum, s) => sum + s.lb, 0) - weekly.heldLb)} free within the year`}
          />
        </Suspense>
      )}
    </div>
  );
}
