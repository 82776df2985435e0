import { lazy, Suspense } from 'react';
import { daysBetween } from '@core/days/day';
import { showRate } from '@core/words/numbers';
import { useMounted } from '../../../ui/use-mounted';
import type { SeasonBoardState } from '../use-season-board';

const WeeklyNitrogenChart = lazy(() => import('../../../ui/charts/weekly-nitrogen-chart'));

/** What growth asks for and what the doses make free, week by week. */
export function ZoneNitrogen({ at: { zone, year, today, weekly, supply } }: { at: SeasonBoardState }) {
  const mounted = useMounted();
  if (!weekly) return null;
  const todayDay = today.startsWith(String(year)) ? daysBetween(`${year}-01-01`, today) : undefined;
  return (
    <div className="chart">
      <div className="nm">
        <b>Nitrogen, {zone.name}</b>
        lb N per 1000 sq ft, each week
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
        {weekly.heldLb > 0.02 && <span>{showRate(weekly.heldLb)} lb N still held at New Year</span>}
      </div>
      {mounted && (
        <Suspense fallback={<div style={{ height: 200 }} />}>
          <WeeklyNitrogenChart
            demand={weekly.demand}
            supply={supply}
            todayDay={todayDay}
            left={164}
            label={`Nitrogen by the week of ${year}: growth asks ${showRate(weekly.demand.reduce((a, b) => a + b, 0))} lb N per 1000 sq ft, ${supply.length} doses make ${showRate(supply.reduce((sum, s) => sum + s.lb, 0) - weekly.heldLb)} free within the year`}
          />
        </Suspense>
      )}
    </div>
  );
}
