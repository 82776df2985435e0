import loadHighs from 'highs';
import { readdirSync } from 'node:fs';
import type { Case } from '../../records/case';
import { checkZonePlan } from '../checks/check-plan';
import { demoCase } from '../front-lawn.fixture';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';
import { type BestPlan, planBest } from './plan-best';
import type { PlanWishes } from './problem-shape';

/** For tests: the solver, loaded once. */
export const highs = await loadHighs();

export const demos = readdirSync('demo').map((file) => {
  const name = file.replace('.json', '');
  return [name, demoCase(name)] as const;
});
/** A demo property that a test may change. */
export const demo = (name: string): Case => demoCase(name);

/** Far more time than any of these searches takes: a busy machine must not change what a test sees. */
const LIMITS = { gap: 0.05, seconds: 300 } as const;

/** Solves and lays the doses into the season, with what the independent checks find. */
export function solved(given: Case, wishes: PlanWishes = {}, asOf?: string) {
  const draft = planSeason(given, 2027, wishes.picked, asOf);
  const best: BestPlan = planBest(highs, given, draft, wishes, LIMITS);
  const plan = withDoses(draft, given, best.doses);
  const checks = plan.zones.flatMap((z) => checkZonePlan(z, given, plan).map((c) => ({ ...c, zoneId: z.zone.id })));
  return { best, plan, checks, doses: plan.zones.flatMap((z) => z.doses) };
}

export const failing = (checks: { standing: string; id: string }[]): string[] =>
  checks.filter((c) => c.standing === 'fail').map((c) => c.id);
