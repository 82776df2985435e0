import { buildModel } from './build-model';
import { elastic, type Milp, type RuleKind } from './milp';
import type { PlanProblem } from './problem-shape';
import type { SolveResult } from './solver';

/** A need or wish that must give way, by how much at least. */
export interface LetGo {
  /** `zoneId/kind`, or `/trips`: what a next try is told to let go. */
  key: string;
  kind: RuleKind;
  says: string;
  amount: number;
  unit: string;
  /** Nothing of what is asked can be had. */
  whole?: boolean;
}

/** Why no plan exists. */
export interface Conflict {
  /**
   * How far the answer is proven: `least` that frees a plan; something `found` that frees one, of which less might do; a
   * `contradiction` of rules that may not give way; `unexplained` where the search for it ran out of its limit.
   */
  standing: 'least' | 'found' | 'contradiction' | 'unexplained';
  /** What must be let go for a plan to exist; empty where nothing was found. */
  letGo: LetGo[];
  /** Rules of which any one, given up in its place, would free the plan as well. */
  inTheWay: string[];
}

/** Solves a model, and says how far the answer is proven. */
export type AnySolver = (milp: Milp) => Pick<SolveResult, 'status' | 'values'>;

/** Rules that a person could think of giving up; ceilings and laws are not among them. */
const QUESTIONABLE: readonly RuleKind[] = [
  'trips',
  'least-interval',
  'most-interval',
  'late-season',
  'potassium-season',
  'lime-gap',
  'heat-supply',
  'passes',
  'salt',
  'potassium-year',
  'phosphorus-year',
];

/** A let-go pound of the year frees a little less than a pound of the band; days and doses go whole. */
const generous = (kind: RuleKind, amount: number): number =>
  kind.endsWith('-year') || kind === 'heat-supply'
    ? Math.ceil(amount * 1.05 * 100 + 1) / 100
    : Math.ceil(amount - 1e-6);

/**
 * Finds the least relaxation that frees a plan without a solution, and the rules that stand in its way. What is said of it is
 * what the solver proved, and no more.
 */
export function explainConflict(problem: PlanProblem, solve: AnySolver): Conflict {
  const hard = buildModel(problem);
  const soft = elastic(hard.milp);
  const { status, values } = solve(soft.milp);
  if (!values) return { standing: status === 'infeasible' ? 'contradiction' : 'unexplained', letGo: [], inTheWay: [] };
  const byKey = new Map<string, LetGo>();
  for (const slack of soft.slacks) {
    const rule = soft.milp.rows[slack.row]?.rule;
    const amount = values[slack.column] ?? 0;
    if (amount < 1e-5 || !rule?.yields) continue;
    const key = `${rule.zoneId ?? ''}/${rule.kind}`;
    const before = byKey.get(key);
    const more = generous(rule.kind, amount);
    byKey.set(key, {
      key,
      kind: rule.kind,
      says: before ? before.says : rule.says,
      amount: (before?.amount ?? 0) + more,
      unit: rule.yields.unit,
      ...(rule.kind.endsWith('-year') && amount > (soft.milp.rows[slack.row]?.lower ?? Infinity) - 1e-6
        ? { whole: true }
        : {}),
    });
  }
  const letGo = [...byKey.values()];
  const relaxed = new Set(letGo.map((each) => each.kind));
  const asked = new Map<RuleKind, Set<string>>();
  for (const { rule } of hard.milp.rows)
    if (rule) asked.set(rule.kind, (asked.get(rule.kind) ?? new Set()).add(rule.says));
  const inTheWay = QUESTIONABLE.filter((kind) => !relaxed.has(kind) && asked.has(kind)).flatMap((kind) => {
    const freed = buildModel(problem, new Set([kind]));
    // a rule that is no part of the clash leaves it standing
    return solve({ columns: freed.milp.columns.map((c) => ({ ...c, cost: 0 })), rows: freed.milp.rows }).values
      ? [...(asked.get(kind) ?? [])].slice(0, 2)
      : [];
  });
  return { standing: status === 'optimal' ? 'least' : 'found', letGo, inTheWay };
}
