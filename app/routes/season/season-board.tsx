import { Button } from 'antd';
import { lazy, type ReactNode, Suspense, useEffect, useMemo, useRef, useState } from 'react';
import { useKey } from '../../ui/keys';
import { Link, useLocation } from 'react-router';
import { careTasks } from '@core/care/tasks';
import type { PlanAim, PlannedDose, Zone } from '@core/records/case';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { doseKey } from '@core/season/plan/dose-key';
import { daysBetween } from '@core/days/day';
import { moveDose, moveDoseTo, removeDose, setRate, swapProduct, toggleLock } from '@core/season/edit/edit-plan';
import { judgePlan } from '@core/season/checks/judge-plan';
import { keysOfGivenDoses } from '@core/season/plan/doses-given';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { weeklyNitrogen } from '@core/season/plan/weekly-nitrogen';
import { withDoses } from '@core/season/plan/with-doses';
import { Fault } from '../../ui/field';
import { showRate } from '@core/words/numbers';
import { sayDay } from '@core/words/days';
import { useMounted } from '../../ui/use-mounted';
import { useOfferUndo } from '../../ui/use-offer-undo';
import type { PropertyWork } from '../../work/property-work';
import { AddDose } from './board/add-dose';
import { BoardLanes, type BoardHand } from './board/board-lanes';
import { BoardChecks } from './board/board-checks';
import { Buying } from './export/buying';
import { ConsequenceLine } from './board/consequence-line';
import { DosePanel } from './board/dose-panel';
import type { SeasonSent } from './season-action';
import { NoPlan, provenance, SearchLine } from './search/solve-bar';
import { ExportPlan } from './export/export-plan';
import { useBoard } from './board/use-board';
import { usePlanSearch } from './search/use-plan-search';
import { BesidePlan } from './compare/beside-plan';
import { NO_EDITS, useEditsThatMend } from './board/use-edits-that-mend';

const WeeklyNitrogenChart = lazy(() => import('../../ui/charts/weekly-nitrogen-chart'));

export interface SeasonBoardProps {
  work: PropertyWork;
  zone: Zone;
  zoneSeason: ZoneSeason;
  fault: string | undefined;
  storing: boolean;
  send: (sent: SeasonSent) => unknown;
  onLaidAnew: () => void;
  years: ReactNode;
}

/** The season's board: the plan found or drawn by hand, judged at every step. */
export function SeasonBoard({ work, zone, fault, storing: busy, send, onLaidAnew, years }: SeasonBoardProps) {
  const { file, draft, today, year, plan } = work;
  const products = useMemo(() => file.products ?? [], [file.products]);
  const [aim, setAim] = useState<PlanAim>(plan?.solved?.aim ?? 'balanced');
  const [selected, setSelected] = useState<string | undefined>();
  const [refusal, setRefusal] = useState<string | undefined>();
  const [held, setHeld] = useState<PlannedDose[] | undefined>();
  const [adding, setAdding] = useState(false);
  const mounted = useMounted();
  const location = useLocation();
  const offerUndo = useOfferUndo();
  const board = useBoard(work, (step) => void send({ intent: 'doses', ...step }));
  const { doses } = board;

  // what is held over the board is judged live, as if it were dropped there
  const shown = useMemo(() => (held ? withDoses(draft, file, held) : board.season), [held, draft, file, board.season]);
  const judged = useMemo(() => (held ? judgePlan(file, shown) : board.judged), [held, file, shown, board.judged]);
  const editsThatMend = useEditsThatMend(file, draft, doses, board.judged);
  const shownZone = shown.zones.find((z) => z.zone.id === zone.id);

  const focusKey = useRef<string | undefined>(undefined);
  useEffect(() => {
    if (!focusKey.current) return;
    document.querySelector<HTMLElement>(`[data-dose="${CSS.escape(focusKey.current)}"]`)?.focus();
    focusKey.current = undefined;
  }, [doses]);

  const edit = (next: PlannedDose[] | Refusal, says: string, key?: string) => {
    setHeld(undefined);
    if (isRefusal(next)) {
      setRefusal(next.refused);
      return;
    }
    setRefusal(undefined);
    setFound(undefined);
    // the dose changed place: it is known by its new one
    const moved = key && next.find((d) => !doses.includes(d));
    if (moved) {
      focusKey.current = document.activeElement?.hasAttribute('data-dose') ? doseKey(moved) : undefined;
      if (selected === key) setSelected(doseKey(moved));
    }
    board.take(next, says);
  };
  const rateOf = (key: string) => doses.find((d) => doseKey(d) === key)?.rateLb ?? 0;
  const nameOf = (key: string) => {
    const dose = doses.find((d) => doseKey(d) === key);
    return `${products.find((p) => p.id === dose?.productId)?.name ?? 'Dose'} of ${dose ? sayDay(dose.date) : ''}`;
  };
  const hand: BoardHand = {
    move: (key, weeks) =>
      edit(
        moveDose(doses, key, weeks),
        `${nameOf(key)} moved by ${Math.abs(weeks)} ${Math.abs(weeks) === 1 ? 'week' : 'weeks'}`,
        key,
      ),
    stretch: (key, byLb) =>
      edit(
        setRate(doses, key, rateOf(key) + byLb),
        `${nameOf(key)} set to ${showRate(rateOf(key) + byLb)} lb product per 1000`,
        key,
      ),
    remove: (key) => {
      setSelected(undefined);
      edit(removeDose(doses, key), `${nameOf(key)} deleted`);
    },
    lock: (key) =>
      edit(
        toggleLock(doses, key),
        `${nameOf(key)} ${doses.find((d) => doseKey(d) === key)?.locked ? 'freed' : 'locked'}`,
        key,
      ),
    select: (key) => setSelected((before) => (before === key ? undefined : key)),
    preview: (to) => {
      if (!to) return setHeld(undefined);
      const next = to.weeks
        ? moveDose(doses, to.key, to.weeks)
        : setRate(doses, to.key, rateOf(to.key) + (to.byLb ?? 0));
      setHeld(isRefusal(next) ? undefined : next);
    },
  };
  useKey('undo', () => board.undo(), [board]);
  useKey('redo', () => board.redo(), [board]);
  useKey('add-dose', () => setAdding(true));
  useKey('print', () => window.print());

  const { search, stop, found, setFound, ask, letGo, findBeside } = usePlanSearch({
    work,
    aim,
    doses,
    busy,
    onBegin: () => {
      setRefusal(undefined);
      setSelected(undefined);
    },
    onFound: board.take,
    onBeside: (beside) => send({ intent: 'aside', plan: beside }),
    onFault: setRefusal,
  });

  const picked =
    shownZone?.doses.find((d) => doseKey(d) === selected) ??
    shown.zones.flatMap((z) => z.doses).find((d) => doseKey(d) === selected);
  const pickedPlan = doses.find((d) => doseKey(d) === selected);
  const pickedZone = file.zones.find((z) => z.id === picked?.zoneId);
  const given = useMemo(() => keysOfGivenDoses(file), [file]);
  const edited = board.solved === undefined;
  const all = shown.zones.flatMap((z) => z.doses);
  const weekly = useMemo(
    () => (shownZone ? weeklyNitrogen(shownZone, products, shown) : undefined),
    [shownZone, products, shown],
  );
  const supply = useMemo(() => (weekly?.supply ?? []).map((s) => ({ ...s, given: s.date < today })), [weekly, today]);
  const care = useMemo(() => careTasks(shown, file.choices?.effort ?? 'essential'), [shown, file.choices?.effort]);
  const todayDay = today.startsWith(String(year)) ? daysBetween(`${year}-01-01`, today) : undefined;
  const keep = () => {
    const before = plan ?? null;
    void send({ intent: 'keep', doses });
    offerUndo(`The plan for ${year} is saved.`, () => void send({ intent: 'put-back', plan: before }));
  };
  const clear = () => {
    const before = plan ?? null;
    void send({ intent: 'plain' });
    onLaidAnew();
    offerUndo('The plain draft is back on the board.', () => {
      void send({ intent: 'put-back', plan: before });
      onLaidAnew();
    });
  };
  if (!shownZone || !weekly) return null;
  return (
    <div className="sn">
      <div className="body">
        <div>
          <div className="pagehead">
            <h1>Season {year}</h1>
            <span>
              <b>{all.length}</b> doses on {judged.trips} days
            </span>
            <span className="small">{provenance(plan, edited)}</span>
            <span className="sp" />
            <Link className="link" to={{ pathname: 'climate', search: location.search }}>
              Climate
            </Link>
            <Link className="link" to={{ pathname: 'move-here', search: location.search }}>
              Move a programme here
            </Link>
            {years}
          </div>
          <div className="boardbar">
            <Button type="primary" disabled={search !== undefined || !shown.weather} onClick={ask}>
              {doses.some((d) => d.locked)
                ? 'Plan the rest'
                : plan?.doses
                  ? 'Find the best plan again'
                  : 'Find the best plan'}
            </Button>
            <Button disabled={!board.canUndo} onClick={board.undo} title="Ctrl Z">
              Undo
            </Button>
            <Button disabled={!board.canRedo} onClick={board.redo} title="Ctrl Shift Z">
              Redo
            </Button>
            <Button onClick={() => setAdding(true)}>
              Add dose <span className="kbd">A</span>
            </Button>
            {plan?.doses && <Button onClick={clear}>Back to the plain draft</Button>}
            <span className="sp" />
            <ExportPlan
              file={file}
              season={shown}
              judged={judged}
              care={care}
              today={today}
              provenance={provenance(plan, edited)}
              onFault={setRefusal}
            />
            <Button disabled={all.length === 0 || plan?.keptOn !== undefined} onClick={keep}>
              Save plan
            </Button>
          </div>
          {search && <SearchLine search={search} onStop={stop} />}
          {found && found.doses.length === 0 && found.status !== 'stopped' && (
            <NoPlan found={found} onLetGo={letGo} onClose={() => setFound(undefined)} />
          )}
          {found && 'setAside' in found && found.setAside.length > 0 && (
            <ul className="setaside">
              {found.setAside.map((says) => (
                <li key={says} className="small">
                  {says}
                </li>
              ))}
            </ul>
          )}
          {(refusal ?? fault) && <Fault>{refusal ?? fault}</Fault>}
          {board.consequence && <ConsequenceLine {...board.consequence} />}
          <BoardLanes
            season={shown}
            products={products}
            planned={held ?? doses}
            judged={judged}
            today={today}
            focusedZoneId={zone.id}
            selected={selected}
            hand={hand}
          />
          {shownZone.season && (
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
          )}
          <BesidePlan
            work={work}
            zone={zone}
            shown={shown}
            shownZone={shownZone}
            doses={doses}
            aim={aim}
            edited={edited}
            onAim={setAim}
            onTake={(next, says) => board.take(next, says)}
            onFindBeside={search ? undefined : () => void findBeside()}
            send={send}
          />
        </div>
        <aside className="margin">
          {picked && pickedPlan && pickedZone && (
            <DosePanel
              dose={picked}
              planned={pickedPlan}
              zone={pickedZone}
              products={products}
              year={year}
              given={given.has(doseKey(pickedPlan))}
              onMoveTo={(date) =>
                edit(
                  moveDoseTo(doses, doseKey(pickedPlan), date),
                  `${nameOf(doseKey(pickedPlan))} moved to ${sayDay(date)}`,
                  selected,
                )
              }
              onRate={(lb) =>
                edit(
                  setRate(doses, doseKey(pickedPlan), lb),
                  `${nameOf(doseKey(pickedPlan))} set to ${showRate(lb)} lb product per 1000`,
                  selected,
                )
              }
              onSwap={(product) =>
                edit(
                  swapProduct(doses, doseKey(pickedPlan), product, products),
                  `${nameOf(doseKey(pickedPlan))} swapped for ${product.name}`,
                  selected,
                )
              }
              onLock={() => hand.lock(doseKey(pickedPlan))}
              onRemove={() => hand.remove(doseKey(pickedPlan))}
              onClose={() => setSelected(undefined)}
            />
          )}
          <BoardChecks
            judged={judged}
            zoneId={zone.id}
            editsThatMend={held ? NO_EDITS : editsThatMend}
            onMend={({ doses: next, says }) => edit(next, says)}
          />
          <Buying doses={all} products={products} />
        </aside>
      </div>
      {adding && (
        <AddDose
          zones={file.zones}
          zoneId={zone.id}
          products={products}
          year={year}
          phosphorusWanted={shownZone.prescription.phosphorus.yearLb > 0}
          doses={doses}
          onAdd={(next, says) => {
            setAdding(false);
            edit(next, says);
          }}
          onClose={() => setAdding(false)}
        />
      )}
    </div>
  );
}
