import { useId } from 'react';
import { Link } from 'react-router';
import type { Product } from '@core/formats/case';
import { grassOf } from '@core/ground/grasses';
import { faceOf } from '@core/products/label/face';
import { dayOfYear } from '@core/season/day';
import type { Dose } from '@core/season/dose';
import type { ZoneSeason } from '@core/season/plan';
import { showArea, showDay, showRate, showWeight } from '../../ui/format';
import { Mark, MARK_OF } from '../../ui/marks';
import { growthPath, MONTH_STARTS, WindowPatterns } from '../../ui/ribbon';
import { useWidth } from '../../ui/use-width';
import { sameFigure, useWorkings } from '../../ui/workings-context';
import { amountFor } from '../../work/dose-words';

const ROW = 34;
const BLOCK_WIDTH = 74;
const PATTERN = { frozen: 'frost', dormant: 'rest', heat: 'heat', code: 'rest' } as const;

/** Puts blocks that would touch into rows below each other. */
function stack(doses: readonly Dose[], x: (dose: Dose) => number): { dose: Dose; left: number; row: number }[] {
  const ends: number[] = [];
  return doses.map((dose) => {
    const left = x(dose);
    const free = ends.findIndex((end) => end <= left);
    const row = free === -1 ? ends.length : free;
    ends[row] = left + BLOCK_WIDTH + 4;
    return { dose, left, row };
  });
}

/** One zone's year: its growth, its closed windows, its doses as blocks standing on their day. */
export function Lane({
  zoneSeason,
  products,
  todayDay,
  focused,
}: {
  zoneSeason: ZoneSeason;
  products: readonly Product[];
  todayDay?: number;
  focused: boolean;
}) {
  const [ref, width] = useWidth<HTMLDivElement>(806);
  const id = useId().replaceAll(':', '');
  const { trail, open } = useWorkings();
  const { zone, season, doses, prescription } = zoneSeason;
  const plot = Math.max(width, 600);
  const days = season?.growth.length ?? 365;
  const x = (day: number) => (day / days) * plot;
  const blocks = stack(doses, (d) => Math.min(x(dayOfYear(d.date)), plot - BLOCK_WIDTH - 2));
  const height = Math.max(78, blocks.reduce((most, b) => Math.max(most, b.row + 1), 0) * ROW + 10);
  return (
    <section className={focused ? 'lane focus' : 'lane'} aria-label={`${zone.name}, ${doses.length} doses`}>
      <div className="nm">
        {focused ? <b>{zone.name}</b> : <Link to={{ search: `?zone=${zone.id}` }}>{zone.name}</Link>}
        <span>{grassOf(zone.grass).name}</span>
        <span>{showArea(zone.areaSqFt)} sq ft</span>
        <span>
          {showRate(prescription.nitrogen.year.value)} lb N, {showRate(prescription.potassium.yearLb)} lb K<sub>2</sub>O
        </span>
      </div>
      <div className="strip" ref={ref} style={{ height }}>
        <svg width={plot} height={height} aria-hidden="true">
          <WindowPatterns id={id} />
          {season && (
            <path
              d={`${growthPath(season.growth, plot, height, height * 0.62)}L${plot} ${height}L0 ${height}Z`}
              fill="var(--growth)"
              opacity=".45"
            />
          )}
          {(season?.windows ?? []).map((w, i) => (
            <rect
              key={i}
              x={x(w.from)}
              y="0"
              width={Math.max(1, x(w.to + 1) - x(w.from))}
              height={height}
              fill={`url(#${id}-${PATTERN[w.kind]})`}
              opacity=".6"
            />
          ))}
          {MONTH_STARTS.slice(1).map((start) => (
            <path key={start} d={`M${x(start)} 0V${height}`} stroke="var(--rule)" />
          ))}
          {todayDay !== undefined && <path d={`M${x(todayDay)} 0V${height}`} stroke="var(--moss)" strokeWidth="2" />}
        </svg>
        {blocks.map(({ dose, left, row }) => {
          const product = products.find((p) => p.id === dose.productId);
          const substance = dose.for === 'sulfur' ? 'S' : dose.for;
          return (
            <button
              type="button"
              key={dose.date + dose.productId}
              className="dose"
              style={{ left, top: 5 + row * ROW, width: BLOCK_WIDTH }}
              aria-expanded={sameFigure(trail[0], dose.weighOut)}
              aria-label={`${showDay(dose.date)}, ${showRate(amountFor(dose))} lb ${substance} per 1000 sq ft as ${product?.name}, ${showWeight(dose.zoneLb)} lb for the zone, show workings`}
              title={`${showDay(dose.date)}: ${product?.name}, ${MARK_OF[dose.for].word}`}
              onClick={() => open(dose.weighOut)}
            >
              <svg width="18" height="20" viewBox="0 0 18 20" aria-hidden="true">
                <Mark purpose={dose.for} x={9} y={10} d={13} />
              </svg>
              <span>
                {dose.for === 'lime' ? showWeight(amountFor(dose)) : showRate(amountFor(dose))}
                <small>{product && faceOf(product)}</small>
              </span>
            </button>
          );
        })}
        {doses.length === 0 && (
          <p className="note" style={{ padding: 26, position: 'relative' }}>
            {season ? 'nothing to put down this year' : 'no climate yet, so nothing can be dated: choose one in Ground'}
          </p>
        )}
      </div>
    </section>
  );
}
