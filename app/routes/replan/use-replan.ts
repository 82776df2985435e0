import { useEffect, useMemo, useState } from 'react';
import { weekStart } from '@core/days/day';
import type { Plan } from '@core/records/case';
import {
  brokenByFacts,
  leaveOffer,
  mendOffer,
  type Offer,
  type OfferId,
  type Replanning,
  searchOffer,
  wishesFor,
} from '@core/replan/offers';
import { standingOf } from '@core/replan/standing';
import { planSeason } from '@core/season/draft/plan-season';
import { inSteps } from '../../solving/in-steps';
import type { PropertyWork } from '../../work/property-work';
import { useSolver } from '../../solving/use-solver';

/** What is known of an offer: it is being tried, it is there, or there is none, and why. */
export type Offered = { offer: Offer; solved?: Plan['solved'] } | { none: string } | 'trying' | undefined;

/** A kept plan and what happened since, with what can be done about the rest: each offer is made when its turn comes. */
export function useReplan(work: PropertyWork, plan: Plan) {
  const { file, year, today, packs } = work;
  const from = weekStart(today);
  const at = useMemo((): Replanning => {
    const draft = planSeason(file, year, plan.products ?? {}, from, packs, today);
    return { file, draft, plan, standing: standingOf(file, draft, plan, today) };
  }, [file, year, plan, from, packs, today]);
  const leave = useMemo(() => leaveOffer(at), [at]);
  const broken = useMemo(() => brokenByFacts(at, leave, packs), [at, leave, packs]);
  const [tried, setTried] = useState<{ of: Replanning; mend?: Offered; search?: Offered }>({ of: at });
  const known = tried.of === at ? tried : { of: at };
  const put = (id: 'mend' | 'search', offered: Offered) =>
    setTried((before) => ({ ...(before.of === at ? before : { of: at }), [id]: offered }));
  const { searching, progress, solve, stop } = useSolver(file, year, from);

  // the hand's edits are tried after the page has drawn
  useEffect(
    () =>
      inSteps([() => mendOffer(at, leave)], (offer) =>
        put('mend', offer ? { offer } : { none: 'no one or two edits mend anything' }),
      ),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- put follows at
    [at, leave],
  );
  const [reasoning, setReasoning] = useState<{ of: Replanning; found: Offer['doses']; solved: Plan['solved'] }>();
  useEffect(() => {
    if (!reasoning || reasoning.of !== at) return;
    return inSteps([() => searchOffer(at, leave, reasoning.found)], (offer) =>
      put('search', { offer, solved: reasoning.solved }),
    );
    // eslint-disable-next-line react-hooks/exhaustive-deps -- put follows at
  }, [reasoning, at, leave]);
  const search = async () => {
    put('search', 'trying');
    try {
      const found = await solve(file, year, from, { ...wishesFor(at), packs });
      if (found.doses.length === 0 && found.status !== 'optimal')
        return put('search', {
          none: found.status === 'no-climate' ? 'no climate to date by' : 'nothing was found in its time',
        });
      const { status, gapPercent } = found;
      setReasoning({
        of: at,
        found: found.doses,
        solved: {
          on: today,
          status: status === 'optimal' ? 'optimal' : 'feasible',
          gapPercent,
          aim: plan.solved?.aim ?? 'balanced',
        },
      });
    } catch (trouble) {
      put('search', {
        none: `the planner could not run: ${trouble instanceof Error ? trouble.message : 'no reason given'}`,
      });
    }
  };
  const offers: Record<OfferId, Offered> = {
    leave: { offer: leave },
    mend: known.mend ?? 'trying',
    search: known.search,
  };
  return { at, leave, broken, offers, search, searching, progress, stop };
}

/** The offer itself, where it is there. */
export const offerIn = (offered: Offered): Offer | undefined =>
  typeof offered === 'object' && 'offer' in offered ? offered.offer : undefined;
