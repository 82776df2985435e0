import type { LetGo } from './conflicts';
import type { BestPlan } from './plan-best';
import { fixed } from '../../words/numbers';

/** What letting one rule go means, in words. */
export function letGoWords({ kind, amount, unit, says, whole }: LetGo): string {
  if (whole) return `do without ${says}`;
  if (kind === 'trips') return `allow ${amount} more ${amount === 1 ? 'trip' : 'trips'}`;
  if (kind === 'most-interval') return `allow ${amount} more ${amount === 1 ? 'week' : 'weeks'} between feedings`;
  if (kind === 'heat-supply')
    return `let slow doses make ${fixed(amount, 2)} lb N per 1000 sq ft more free in the heat`;
  if (kind === 'late-season') return `leave out the late-season steps (${says})`;
  if (kind === 'potassium-season') return `leave out the school's potash (${says})`;
  if (kind === 'lime' || kind === 'sulfur') return `leave ${kind} for another year (${says})`;
  return `leave ${fixed(amount, 2)} ${unit} unmet (asked: ${says})`;
}

/** Why there is no plan, a sentence each: what clashes, what is the least to let go, what else would free it. */
export function conflictWords({ status, conflict }: Pick<BestPlan, 'status' | 'conflict'>): string[] {
  if (status === 'no-plan-in-time')
    return [
      'No plan was found in the time given, and none was proven impossible. Give it longer, or lock fewer doses.',
    ];
  if (conflict?.standing === 'unexplained')
    return [
      'No plan keeps every rule, and what would free it was not found in the time given. Unlock a dose or allow a trip more, then try again.',
    ];
  if (!conflict || conflict.letGo.length === 0)
    return [
      'No plan keeps every rule: doses that stand already, or laws and ceilings, contradict each other. Unlock doses and try again.',
    ];
  const asked = conflict.letGo.map((each) => each.says).join('; ');
  const sentences = [
    `No plan keeps every rule. What cannot all be had: ${asked}.`,
    conflict.standing === 'least'
      ? `The least that frees it: ${conflict.letGo.map(letGoWords).join(', and ')}.`
      : `This frees it, though less might do: ${conflict.letGo.map(letGoWords).join(', and ')}.`,
  ];
  if (conflict.inTheWay.length > 0)
    sentences.push(`It would also fit if one of these gave way instead: ${conflict.inTheWay.join('; ')}.`);
  return sentences;
}
