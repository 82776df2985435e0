import { Select } from 'antd';
import { lazy, Suspense, useMemo, useState } from 'react';
import type { Analyte, SoilTest, Zone } from '@core/records/case';
import { grassIn, rangeIn, type RulePacks } from '@core/packs/rule-packs';
import { analyteName } from '@core/records/analytes';
import { type Trend, trendOf } from '@core/soil/trend';
import { showExact, significant } from '@core/words/numbers';
import { sayDate } from '@core/words/days';
import { WarnGlyph } from '../../ui/glyphs';
import { useMounted } from '../../ui/use-mounted';
import { Said } from '../../ui/substance';

const TrendChart = lazy(() => import('../../ui/charts/trend-chart'));
const FOLLOWED: readonly Analyte[] = ['pH', 'P', 'K', 'Mg', 'Ca', 'S', 'OM', 'CEC', 'Na', 'Fe', 'Mn', 'Zn'];

function courseOf({ perYear, unit, points }: Trend): string {
  if (perYear === undefined)
    return points.length < 2 ? 'One report is no trend yet.' : 'No two of these reports can be compared.';
  const amount = `${showExact(Math.abs(significant(perYear, 2)))}${unit ? ` ${unit}` : ''} a year`;
  return Math.abs(perYear) < 1e-9 ? 'Unchanged.' : `${perYear > 0 ? 'Up' : 'Down'} ${amount} over comparable reports.`;
}

/** An analyte through this zone's reports, with what makes them hard to compare. */
export function TrendOfZone({ zone, tests, packs }: { zone: Zone; tests: readonly SoilTest[]; packs: RulePacks }) {
  const mounted = useMounted();
  const [analyte, setAnalyte] = useState<Analyte>('pH');
  const trend = useMemo(() => trendOf(tests, analyte), [tests, analyte]);
  if (tests.length < 2) return null;
  const name = analyteName(analyte);
  const grass = grassIn(packs, zone.grass);
  const method = trend.points.at(-1)?.method;
  const range = method && analyte !== 'pH' ? rangeIn(packs, analyte, method as never, undefined) : undefined;
  const band =
    analyte === 'pH' ? { from: grass.phLow, to: grass.phHigh } : range && { from: range.enough, to: range.high };
  const label = `${name} over ${trend.points.length} reports: ${trend.points.map((p) => `${sayDate(p.on)} ${showExact(p.value, 2)}`).join(', ')}`;
  return (
    <section className="trend" aria-labelledby="trend">
      <h2 id="trend">Over the years</h2>
      <div>
        <Select
          size="small"
          aria-label="Analyte followed"
          value={analyte}
          onChange={setAnalyte}
          options={FOLLOWED.map((value) => ({ value, label: analyteName(value) }))}
          virtual={false}
        />{' '}
        {courseOf(trend)}
      </div>
      {mounted && trend.points.length > 0 && (
        <Suspense fallback={<div style={{ height: 170 }} />}>
          <TrendChart trend={trend} band={band} label={label} />
        </Suspense>
      )}
      {trend.points.some((p) => !p.comparable) && (
        <p className="small">Open points do not compare with the latest: another method or depth.</p>
      )}
      {trend.warnings.map((says) => (
        <p className="caution" key={says}>
          <WarnGlyph />
          <span>
            <b>Warn</b> <Said text={says} />
          </span>
        </p>
      ))}
    </section>
  );
}
