import { type Refusal, refuse } from '../../reckoning/refusal';

/** The three numbers on a bag, percent by weight. */
export interface Grade {
  N: number;
  P2O5: number;
  K2O: number;
}

/** "24-0-11". */
export const gradeInWords = ({ N, P2O5, K2O }: Grade): string => `${N}-${P2O5}-${K2O}`;

/** A number as bags print it: no leading zero, at most two decimals. */
const FIGURE = /^(?:0|[1-9]\d?|100)(?:\.\d{1,2})?$/;
/** Whatever people put between the three numbers. */
const BETWEEN = /[\s/:,;–—−-]+/;
const LONGEST_RUN = 9;

const gradeFrom = (parts: readonly string[]): Grade | undefined => {
  if (parts.length !== 3 || !parts.every((part) => FIGURE.test(part))) return undefined;
  const [N, P2O5, K2O] = parts.map(Number) as [number, number, number];
  return N + P2O5 + K2O <= 100 ? { N, P2O5, K2O } : undefined;
};

/** Every way to cut a run of digits into three figures that use all of it. */
function cuts(run: string): Grade[] {
  const found: Grade[] = [];
  for (let first = 1; first < run.length - 1; first++)
    for (let second = first + 1; second < run.length; second++) {
      const grade = gradeFrom([run.slice(0, first), run.slice(first, second), run.slice(second)]);
      if (grade) found.push(grade);
    }
  // bags hold more N than anything else, and richer readings are rarer
  return found.sort((a, b) => b.N - a.N || a.P2O5 + a.K2O - (b.P2O5 + b.K2O));
}

/**
 * Reads the three numbers as a person types them. `28-0-6` and `24 0 11` have one reading; `24011` has two, 24-0-11 and
 * 2-40-11, the likelier first, and only a person can say which stands on the bag. Refuses what cannot be a grade.
 */
export function readGrade(text: string): Grade[] | Refusal {
  const typed = text.trim();
  const asked = 'Type the three numbers on the bag: N, P2O5, K2O, as 24-0-11, 24 0 11 or 24011.';
  if (typed === '') return refuse('grade', asked);
  if (/^\d+$/.test(typed)) {
    if (typed.length < 3)
      return refuse(
        'grade',
        `“${typed}” is ${typed.length === 1 ? 'one figure' : 'too short for three numbers'}. ${asked}`,
      );
    const found = typed.length <= LONGEST_RUN ? cuts(typed) : [];
    return found.length > 0
      ? found
      : refuse('grade', `“${typed.slice(0, 20)}” cannot be cut into three percentages that a bag could hold. ${asked}`);
  }
  const parts = typed
    .replaceAll('%', '')
    .split(BETWEEN)
    .filter((part) => part !== '');
  const grade = gradeFrom(parts);
  if (grade) return [grade];
  const figures = parts.map(Number);
  const sum = figures.reduce((a, b) => a + b, 0);
  if (parts.length === 3 && figures.every((figure) => Number.isFinite(figure)) && sum > 100)
    return refuse('grade', `${parts.join(' + ')} is ${sum} %, more than a bag can hold. Check the three numbers.`);
  return refuse('grade', `“${typed.slice(0, 20)}” is not three numbers. ${asked}`);
}
