import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  PointerSensor,
  useDraggable,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { type KeyboardEvent, useId } from 'react';
import { Link } from 'react-router';
import type { PlannedDose, Product } from '@core/records/case';
import { grassOf } from '@core/packs/grasses';
import { faceOf } from '@core/products/label/face';
import { dayOfYear, daysInYear, monthStarts, weekStart } from '@core/days/day';
import { feedingWindows } from '@core/season/plan/season-windows';
import type { JudgedPlan } from '@core/season/checks/judge-plan';
import type { SeasonPlan, ZoneSeason } from '@core/season/plan/season-plan';
import { mondaysOf } from '@core/days/weeks';

import { sayDay } from '@core/words/days';
import { Substances } from '../../../ui/substance';
import { useUnits } from '../../../ui/format';
import { Mark, MARK_OF } from '../../../ui/marks';
import { dayArea, growthHeight, yearScale } from '../../../ui/year-plot';
import { useWidth } from '../../../ui/use-width';
import { windowFill, WindowPatterns } from '../../../ui/window-patterns';
import { amountOf } from '../../../work/amount-out';
import { showAmount, fullUnitFor } from '../../../work/dose-words';
import { type Block, clashes, layOut, ROW, secondOf } from './lane-layout';
import { placeHash } from '../../../ui/place';

/** Narrower than this the weeks pan. */
const LEAST_WIDTH = 640;
/** A Monday's day of the month has room in this many pixels. */
const LEAST_WEEK_PX = 14;
/** Pixels of a stretch for one step of the rate, and the step, lb product/1000 ft2. */
const STRETCH = { px: 4, lb: 0.05 } as const;

/** What the hand or the keys ask of a dose. */
export interface BoardHand {
  move: (key: string, weeks: number) => void;
  stretch: (key: string, byLb: number) => void;
  remove: (key: string) => void;
  lock: (key: string) => void;
  select: (key: string) => void;
  /** While a dose is held: where it would go, without keeping it. */
  preview: (held: { key: string; weeks?: number; byLb?: number } | undefined) => void;
}

function DoseBlock({
  block,
  product,
  state,
  hand,
}: {
  block: Block;
  product: Product | undefined;
  state: { locked: boolean; given: boolean; fault: boolean; selected: boolean; due: boolean };
  hand: BoardHand;
}) {
  const units = useUnits();
  const { dose, key } = block;
  const { setNodeRef: setMover, listeners: moving } = useDraggable({ id: `move:${key}`, disabled: state.given });
  const { setNodeRef: setGrip, listeners: stretching } = useDraggable({
    id: `stretch:${key}`,
    disabled: state.given || dose.for === 'lime',
  });
  const second = secondOf(dose);
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const far = event.shiftKey ? 4 : 1;
    const acts: Record<string, () => void> = {
      ArrowLeft: () => hand.move(key, -far),
      ArrowRight: () => hand.move(key, far),
      ArrowUp: () => hand.stretch(key, STRETCH.lb * far),
      ArrowDown: () => hand.stretch(key, -STRETCH.lb * far),
      Delete: () => hand.remove(key),
      l: () => hand.lock(key),
    };
    const act = acts[event.key];
    if (!act || state.given) return;
    event.preventDefault();
    event.nativeEvent.stopImmediatePropagation();
    act();
  };
  const classes = [
    'dose',
    state.given && 'is-given',
    state.due && 'is-due',
    state.fault && 'is-fault',
    state.locked && 'is-locked',
    state.selected && 'is-selected',
  ].filter(Boolean);
  return (
    <div className={classes.join(' ')} style={{ left: block.left, top: 5 + block.row * ROW, width: block.width }}>
      <button
        type="button"
        ref={setMover}
        {...moving}
        data-dose={key}
        aria-pressed={state.selected}
        aria-label={`${sayDay(dose.date)}, ${showAmount(dose, units)} ${fullUnitFor(dose, units)} as ${product?.name ?? dose.productId}, ${amountOf(units, product).say(dose.zoneLb)} for the zone${state.locked ? ', locked' : ''}${state.given ? ', given' : ''}${state.fault ? ', a check fails here' : ''}`}
        title={`${sayDay(dose.date)}: ${product?.name ?? dose.productId}, ${MARK_OF[dose.for].word}`}
        onClick={() => hand.select(key)}
        onKeyDown={onKeyDown}
      >
        <svg width="18" height="20" viewBox="0 0 18 20" aria-hidden="true">
          <Mark
            purpose={dose.for}
            x={9}
            y={second ? 6 : 10}
            d={second ? 11.5 : 13}
            state={state.due ? 'due' : 'planned'}
          />
          {second && <Mark purpose={second} x={9} y={15} d={9.5} />}
        </svg>
        <span>
          {showAmount(dose, units)}
          <small>{second ? units.rate(dose.delivers[second] ?? 0) : product && faceOf(product)}</small>
        </span>
        {second && <small className="face">{product && faceOf(product)}</small>}
        {state.locked && (
          <svg className="lock" width="9" height="10" viewBox="0 0 9 10" aria-hidden="true">
            <path
              d="M2.2 4.5V3a2.3 2.3 0 0 1 4.6 0v1.5M1 4.5h7V9H1Z"
              fill="none"
              stroke="currentColor"
              strokeWidth="1.2"
            />
          </svg>
        )}
      </button>
      {!state.given && dose.for !== 'lime' && (
        <span className="grip" ref={setGrip} {...stretching} aria-hidden="true" title="Drag to change the rate" />
      )}
    </div>
  );
}

interface LaneProps {
  plan: SeasonPlan;
  zoneSeason: ZoneSeason;
  products: readonly Product[];
  planned: readonly PlannedDose[];
  checks: JudgedPlan['checks'];
  plot: number;
  todayDay?: number;
  today: string;
  focused: boolean;
  selected: string | undefined;
  /** Doses that were given. */
  given: ReadonlySet<string>;
  /** Where given doses were planned, once they went down on another day. */
  ghosts: readonly PlannedDose[];
  hand: BoardHand;
}

function Lane({
  plan,
  zoneSeason,
  products,
  planned,
  checks,
  plot,
  todayDay,
  today,
  focused,
  selected,
  given,
  ghosts,
  hand,
}: LaneProps) {
  const units = useUnits();
  const id = useId().replaceAll(':', '');
  const { zone, season, doses, prescription } = zoneSeason;
  const days = daysInYear(plan.year);
  const starts = monthStarts(plan.year);
  const x = yearScale(days, plot);
  const blocks = layOut(doses, plot, x);
  const rows = blocks.reduce((most, b) => Math.max(most, b.row + 1), 0);
  const joined = clashes(blocks, checks);
  const height = Math.max(78, rows * ROW + (joined.length > 0 ? 24 : 10));
  const faults = new Set(checks.filter((c) => c.standing === 'fail').flatMap((c) => c.doses ?? []));
  const thisWeek = weekStart(today);
  return (
    <section className={focused ? 'lane focus' : 'lane'} aria-label={`${zone.name}, ${doses.length} doses`}>
      <div className="nm">
        {focused ? <b>{zone.name}</b> : <Link to={{ hash: placeHash({ zone: zone.id }) }}>{zone.name}</Link>}
        <span>{grassOf(zone.grass).name}</span>
        <span>{units.say('area', zone.areaSqFt)}</span>
        <span>
          {units.rate(prescription.nitrogen.year.value)} {units.short('nutrient-rate', 'N')},{' '}
          {units.rate(prescription.potassium.yearLb)} <Substances text={units.short('nutrient-rate', 'K2O')} />
        </span>
      </div>
      <div className="strip" style={{ height, width: plot }}>
        <svg width={plot} height={height} aria-hidden="true">
          <WindowPatterns id={id} />
          {season && (
            <path
              d={dayArea(season.growth, x, growthHeight(height, height * 0.62), height)}
              fill="var(--growth)"
              opacity=".45"
            />
          )}
          {feedingWindows(zoneSeason, plan).map((w, i) => (
            <rect
              key={i}
              x={x(w.from)}
              y="0"
              width={Math.max(1, x(w.to + 1) - x(w.from))}
              height={height}
              fill={windowFill(id, w.kind)}
              opacity=".6"
            />
          ))}
          {starts.slice(1).map((start) => (
            <path key={start} d={`M${x(start)} 0V${height}`} stroke="var(--rule)" />
          ))}
          {todayDay !== undefined && <path d={`M${x(todayDay)} 0V${height}`} stroke="var(--moss)" strokeWidth="2" />}
          {ghosts.map((dose) => (
            <Mark
              key={dose.date + dose.productId}
              purpose={dose.for}
              x={x(dayOfYear(dose.date))}
              y={height - 9}
              d={12}
              state="ghost"
            />
          ))}
          {joined.map(({ from, to, says }) => {
            const [a, b] = [from.left + from.width / 2, to.left + to.width / 2];
            const low = (Math.max(from.row, to.row) + 1) * ROW + 4;
            return (
              <g key={from.key + to.key} stroke="var(--clay)" fill="none" strokeWidth="1.6">
                <path d={`M${a} ${from.row * ROW + 36}V${low}H${b}V${to.row * ROW + 36}`} />
                <circle cx={a} cy={from.row * ROW + 36} r="2.4" fill="var(--clay)" />
                <circle cx={b} cy={to.row * ROW + 36} r="2.4" fill="var(--clay)" />
                <text
                  x={Math.min((a + b) / 2, plot - 80)}
                  y={low + 13}
                  textAnchor="middle"
                  className="shortfall"
                  stroke="none"
                >
                  {says}
                </text>
              </g>
            );
          })}
        </svg>
        {blocks.map((block) => (
          <DoseBlock
            key={block.name}
            block={block}
            product={products.find((p) => p.id === block.dose.productId)}
            hand={hand}
            state={{
              locked: planned.some(
                (d) =>
                  d.locked === true &&
                  d.zoneId === zone.id &&
                  d.date === block.dose.date &&
                  d.productId === block.dose.productId,
              ),
              given: given.has(block.key),
              fault: faults.has(block.key),
              selected: selected === block.key,
              due: weekStart(block.dose.date) === thisWeek && !given.has(block.key),
            }}
          />
        ))}
        {doses.length === 0 && (
          <p className="note" style={{ padding: 26, position: 'relative' }}>
            {season ? 'nothing to put down this year' : 'no climate yet, so nothing can be dated: choose one in Ground'}
          </p>
        )}
      </div>
    </section>
  );
}

/** Weeks as columns, zones as lanes: every dose can be moved, stretched, locked and picked by hand or by keys. */
export function BoardLanes({
  season,
  products,
  planned,
  judged,
  given,
  ghosts,
  today,
  focusedZoneId,
  selected,
  hand,
}: {
  season: SeasonPlan;
  products: readonly Product[];
  planned: readonly PlannedDose[];
  judged: JudgedPlan;
  /** Doses that were given. */
  given: ReadonlySet<string>;
  /** Where given doses were planned, once they went down on another day. */
  ghosts: readonly PlannedDose[];
  today: string;
  focusedZoneId: string;
  selected: string | undefined;
  hand: BoardHand;
}) {
  const [ref, room] = useWidth<HTMLDivElement>(806);
  const plot = Math.max(LEAST_WIDTH, room);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const { year } = season;
  const days = daysInYear(year);
  const x = yearScale(days, plot);
  const weekPx = x(7);
  // where weeks are narrow not every Monday has room for its day
  const everyWeek = weekPx < LEAST_WEEK_PX ? 2 : 1;
  const todayDay = today.startsWith(String(year)) ? mondaysOf(year).findLastIndex((w) => w.date <= today) : -1;
  const todayAt = today.startsWith(String(year)) ? dayOfYear(today) : undefined;
  const held = (event: DragMoveEvent | DragEndEvent) => {
    const [kind, key] = [String(event.active.id).split(':')[0], String(event.active.id).replace(/^\w+:/, '')];
    return kind === 'move'
      ? { key, weeks: Math.round(event.delta.x / weekPx) }
      : { key, byLb: Math.round(event.delta.x / STRETCH.px) * STRETCH.lb };
  };
  const drop = (event: DragEndEvent) => {
    const { key, weeks, byLb } = held(event);
    hand.preview(undefined);
    if (weeks) hand.move(key, weeks);
    else if (byLb) hand.stretch(key, byLb);
  };
  return (
    <div className="board" tabIndex={0} role="group" aria-label="Weeks of the year, pans sideways where it is narrow">
      <div className="weeks" aria-hidden="true">
        <span className="nm">Week of</span>
        <div ref={ref} style={{ minWidth: LEAST_WIDTH }}>
          {mondaysOf(year).map((week, w) => (
            <span
              key={week.date}
              className={w === todayDay ? 'is-now' : undefined}
              style={{ left: x(week.day), width: weekPx }}
            >
              {(w % everyWeek === 0 || w === todayDay) && Number(week.date.slice(8))}
            </span>
          ))}
        </div>
      </div>
      <DndContext
        sensors={sensors}
        onDragMove={(event) => hand.preview(held(event))}
        onDragEnd={drop}
        onDragCancel={() => hand.preview(undefined)}
      >
        {season.zones.map((z) => (
          <Lane
            key={z.zone.id}
            plan={season}
            zoneSeason={z}
            products={products}
            planned={planned}
            checks={judged.checks.filter((c) => c.zoneId === z.zone.id)}
            plot={plot}
            todayDay={todayAt}
            today={today}
            focused={z.zone.id === focusedZoneId}
            selected={selected}
            given={given}
            ghosts={ghosts.filter(({ zoneId }) => zoneId === z.zone.id)}
            hand={hand}
          />
        ))}
      </DndContext>
    </div>
  );
}
