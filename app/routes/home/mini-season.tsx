import { useId } from 'react';
import type { PlannedFor } from '@core/records/case';
import type { Dose } from '@core/season/plan/dose';
import type { SeasonPlan } from '@core/season/plan/season-plan';
import { dayOfYear, daysInYear, monthStarts } from '@core/days/day';
import { feedingWindows } from '@core/season/plan/season-windows';
import { Mark, markSize } from '../../ui/marks';
import { dayArea, growthHeight, MONTHS, yearScale } from '../../ui/year-plot';
import { useWidth } from '../../ui/use-width';
import { windowFill, WindowPatterns } from '../../ui/window-patterns';
import { amountFor } from '../../work/dose-words';

const ROWS: readonly { letter: string; purposes: readonly PlannedFor[]; y: number }[] = [
  { letter: 'N', purposes: ['N'], y: 56 },
  { letter: 'K', purposes: ['K2O', 'P2O5'], y: 69 },
  { letter: 'L, S', purposes: ['lime', 'sulfur', 'gypsum', 'iron', 'manganese'], y: 82 },
];
const SOIL_LINE = 44;
const LETTERS = 24;

/** Growth of all zones, weighted by area. */
function sharedGrowth(season: SeasonPlan): number[] {
  const zones = season.zones.filter((z) => z.season);
  const area = zones.reduce((sum, z) => sum + z.zone.areaSqFt, 0);
  const days = zones[0]?.season?.growth.length ?? 0;
  return Array.from({ length: days }, (_, day) =>
    zones.reduce((sum, z) => sum + ((z.season?.growth[day] ?? 0) * z.zone.areaSqFt) / area, 0),
  );
}

/** A property's year in miniature, on the same axis as every other property on the page. */
export function MiniSeason({ season, today, emptySays }: { season: SeasonPlan; today: string; emptySays: string }) {
  const [ref, width] = useWidth<HTMLDivElement>(416);
  const id = useId().replaceAll(':', '');
  const growth = sharedGrowth(season);
  const days = daysInYear(season.year);
  const plot = Math.max(100, width - LETTERS);
  const x = yearScale(days, plot, LETTERS);
  const doses: Dose[] = season.zones.flatMap((z) => z.doses);
  const windows = season.zones[0] ? feedingWindows(season.zones[0], season) : [];
  const starts = monthStarts(season.year);
  return (
    <div ref={ref} className="mini">
      <svg
        width={width}
        height="92"
        viewBox={`0 0 ${width} 92`}
        role="img"
        aria-label={`Year ${season.year}: ${doses.length} doses`}
      >
        <WindowPatterns id={id} />
        {growth.length > 0 && (
          <path
            d={dayArea(growth, x, growthHeight(SOIL_LINE, 34), SOIL_LINE)}
            fill="var(--growth)"
            stroke="var(--growth-line)"
          />
        )}
        {windows.map((w, i) => (
          <rect
            key={i}
            x={x(w.from)}
            y="6"
            width={Math.max(1, x(w.to + 1) - x(w.from))}
            height="84"
            fill={windowFill(id, w.kind)}
          />
        ))}
        {starts.slice(1).map((start) => (
          <path key={start} d={`M${x(start)} 6V90`} stroke="var(--rule)" />
        ))}
        <path d={`M${LETTERS} ${SOIL_LINE}H${width}`} stroke="var(--loam)" strokeWidth="1.3" />
        {ROWS.map((row) => (
          <g key={row.letter}>
            <text x={LETTERS - 4} y={row.y + 4} textAnchor="end" style={{ fontSize: 11.5, fontWeight: 600 }}>
              {row.letter}
            </text>
            {doses
              .filter((d) => row.purposes.includes(d.for))
              .map((d, i) => (
                <Mark
                  key={i}
                  purpose={d.for}
                  x={x(dayOfYear(d.date))}
                  y={row.y}
                  d={Math.min(10.5, markSize(d.for, amountFor(d), 11, 6, 10.5))}
                />
              ))}
          </g>
        ))}
        {doses.length === 0 && (
          <text
            x={LETTERS + plot / 2}
            y="70"
            textAnchor="middle"
            style={{ font: 'var(--t-note)', paintOrder: 'stroke', stroke: 'var(--paper)', strokeWidth: 4 }}
          >
            {emptySays}
          </text>
        )}
        {today.startsWith(String(season.year)) && (
          <path d={`M${x(dayOfYear(today))} -14V106`} stroke="var(--moss)" strokeWidth="2" />
        )}
      </svg>
    </div>
  );
}

/** The months above the column of miniatures. */
export function MonthHeads({ year }: { year: number }) {
  const starts = monthStarts(year);
  const [ref, width] = useWidth<HTMLDivElement>(416);
  const x = yearScale(daysInYear(year), width - LETTERS, LETTERS);
  return (
    <div ref={ref} className="mini" aria-hidden="true">
      <svg width={width} height="16">
        {MONTHS.map((month, i) => (
          <text key={month} x={x(starts[i] as number)} y="12" style={{ fontSize: 11.5, fill: 'var(--loam-2)' }}>
            {month}
          </text>
        ))}
      </svg>
    </div>
  );
}
