import { useEffect, useMemo, useRef, useState } from 'react';
import { careTasks } from '@core/care/tasks';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import type { PlanAim, PlannedDose, Zone } from '@core/records/case';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import { judgePlan } from '@core/season/checks/judge-plan';
import { doseEdits } from '@core/season/edit/dose-edits';
import { doseKey } from '@core/season/plan/dose-key';
import { keysOfGivenDoses } from '@core/season/plan/doses-given';
import type { ZoneSeason } from '@core/season/plan/season-plan';
import { weeklyNitrogen } from '@core/season/plan/weekly-nitrogen';
import { withDoses } from '@core/season/plan/with-doses';
import { type Cure, shortfallsOf } from '@core/season/shortfalls/shortfalls';
import { useKey } from '../../ui/keys';
import { useDone } from '../../work/use-done';
import type { PropertyWork } from '../../work/property-work';
import type { BoardHand } from './board/board-lanes';
import { useBoard } from './board/use-board';
import { useEditsThatMend } from './board/use-edits-that-mend';
import { usePlanSearch } from './search/use-plan-search';
import { type UndoSent, undoOf } from '../../work/property-action';
import { type SeasonAnswer, type SeasonSent } from './season-action';
import { usePlanVersion } from './use-plan-version';

export interface SeasonBoardProps {
  work: PropertyWork;
  zone: Zone;
  zoneSeason: ZoneSeason;
  storing: boolean;
  send: (sent: SeasonSent | UndoSent) => Promise<SeasonAnswer | undefined>;
  onLaidAnew: () => void;
}

export type SeasonBoardState = ReturnType<typeof useSeasonBoard>;

/** A change of the plan: its doses or why not, its sentence, and the dose it changed, as that was known before. */
interface Edit {
  doses: PlannedDose[] | Refusal;
  says: string;
  key?: string;
}

/** The plan under the hand: every edit with its sentence and its way back, the search, what is picked and what is held. */
export function useSeasonBoard({ work, zone, storing, send: sendOn, onLaidAnew }: SeasonBoardProps) {
  const { file, draft, today, year, plan } = work;
  const { send, storeDoses, keepDoses, pending } = usePlanVersion(work, sendOn);
  const products = useMemo(() => file.products ?? [], [file.products]);
  const [aim, setAim] = useState<PlanAim>(plan?.solved?.aim ?? 'balanced');
  const [selected, select] = useState<string | undefined>();
  const [refusal, setRefusal] = useState<string | undefined>();
  const [held, setHeld] = useState<PlannedDose[] | undefined>();
  const [adding, setAdding] = useState(false);
  const done = useDone();
  const board = useBoard(work, (step) => void done(() => storeDoses(step)));
  const { doses } = board;

  // what is held over the board is judged live, as if it were dropped there
  const shown = useMemo(() => (held ? withDoses(draft, file, held) : board.season), [held, draft, file, board.season]);
  const judged = useMemo(() => (held ? judgePlan(file, shown) : board.judged), [held, file, shown, board.judged]);
  const shortfalls = useMemo(() => shortfallsOf(file, board.season), [file, board.season]);
  const editsThatMend = useEditsThatMend(file, draft, doses, board.judged);
  const shownZone = shown.zones.find((z) => z.zone.id === zone.id);

  const search = usePlanSearch({
    work,
    aim,
    doses,
    busy: storing || pending,
    onBegin: () => {
      setRefusal(undefined);
      select(undefined);
    },
    onFound: board.take,
    onBeside: (beside) => done(() => send({ intent: 'aside', plan: beside })),
    onFault: setRefusal,
  });

  const focusKey = useRef<string | undefined>(undefined);
  useEffect(() => {
    if (!focusKey.current) return;
    document.querySelector<HTMLElement>(`[data-dose="${CSS.escape(focusKey.current)}"]`)?.focus();
    focusKey.current = undefined;
  }, [doses]);
  const edit = ({ doses: next, says, key }: Edit) => {
    setHeld(undefined);
    if (isRefusal(next)) return setRefusal(next.refused);
    setRefusal(undefined);
    search.setFound(undefined);
    // the dose changed place: it is known by its new one
    const moved = key && next.find((d) => !doses.includes(d));
    if (moved) {
      focusKey.current = document.activeElement?.hasAttribute('data-dose') ? doseKey(moved) : undefined;
      if (selected === key) select(doseKey(moved));
    }
    board.take(next, says);
  };
  const edits = doseEdits(doses, products);
  const hand: BoardHand = {
    move: (key, weeks) => edit(edits.move(key, weeks)),
    stretch: (key, byLb) => edit(edits.stretch(key, byLb)),
    remove: (key) => {
      select(undefined);
      edit(edits.remove(key));
    },
    lock: (key) => edit(edits.lock(key)),
    select: (key) => select((before) => (before === key ? undefined : key)),
    preview: (to) => {
      if (!to) return setHeld(undefined);
      const next = (to.weeks ? edits.move(to.key, to.weeks) : edits.stretch(to.key, to.byLb ?? 0)).doses;
      setHeld(isRefusal(next) ? undefined : next);
    },
  };
  useKey('undo', () => board.undo(), [board]);
  useKey('redo', () => board.redo(), [board]);
  useKey('add-dose', () => setAdding(true));
  useKey('print', () => window.print());

  const given = useMemo(() => keysOfGivenDoses(file), [file]);
  const weekly = useMemo(
    () => (shownZone ? weeklyNitrogen(shownZone, products, shown) : undefined),
    [shownZone, products, shown],
  );
  return {
    ...search,
    file,
    draft,
    zone,
    today,
    year,
    plan,
    /** A step of the work is on its way into the browser's storage. */
    pending,
    products,
    aim,
    setAim,
    selected,
    select,
    refusal,
    setRefusal,
    held,
    adding,
    setAdding,
    board,
    doses,
    shown,
    judged,
    shortfalls,
    /** Does what would free a shortfall, as far as a button can. */
    cure: (does: NonNullable<Cure['does']>) => {
      if (does.kind === 'trips')
        return void done(
          () => send({ intent: 'choices', choices: { maxTrips: does.most } }),
          `${does.most} trips are allowed now: find the best plan again.`,
          (answer) => send(undoOf(answer)),
        );
      const { productId } = does;
      const name = STARTER_SHELF.find((p) => p.id === productId)?.name ?? productId;
      void done(
        () => send({ intent: 'buy', productId }),
        `${name} is on the shelf now: find the best plan again.`,
        () => send({ intent: 'take-off', productId }),
      );
    },
    shownZone,
    editsThatMend,
    edit,
    edits,
    hand,
    edited: board.solved === undefined,
    all: shown.zones.flatMap((z) => z.doses),
    given,
    /** Where given doses were planned, once they went down on another day. */
    ghosts: useMemo(() => {
      const stands = new Set(doses.map(doseKey));
      return (plan?.doses ?? []).filter((dose) => given.has(doseKey(dose)) && !stands.has(doseKey(dose)));
    }, [plan, doses, given]),
    care: useMemo(() => careTasks(shown, file.choices?.effort ?? 'essential'), [shown, file.choices?.effort]),
    weekly,
    supply: useMemo(() => (weekly?.supply ?? []).map((s) => ({ ...s, given: s.date < today })), [weekly, today]),
    save: () =>
      void done(
        () => keepDoses(doses),
        `The plan for ${year} is saved.`,
        (answer) => send(undoOf(answer)),
      ),
    clear: async () => {
      const cleared = await done(
        () => send({ intent: 'plain' }),
        'The plain draft is back on the board.',
        async (cleared) => {
          const answer = await send(undoOf(cleared));
          onLaidAnew();
          return answer;
        },
      );
      if (cleared) onLaidAnew();
    },
  };
}
