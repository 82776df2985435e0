/** What may close a stretch of the year. The pattern of each stands in `app/ui/window-patterns.tsx`. */
export const WINDOW_KINDS = ['frozen', 'rest', 'heat', 'code', 'cool-soil', 'lime', 'report'] as const;
export type WindowKind = (typeof WINDOW_KINDS)[number];

/** A stretch of the year in which something may not go down, with the number that decides. */
export interface ClosedWindow {
  kind: WindowKind;
  title: string;
  /** What it holds back: 'no N'. */
  forbids: string;
  /** First and last day, both inside, 0 for 1 January. */
  from: number;
  to: number;
  because: string;
}

/** Turns a day-by-day yes/no into stretches, first and last day inside. [yes, yes, no, yes] is 0 to 1 and 3 to 3. */
export function stretches(days: readonly boolean[]): { from: number; to: number }[] {
  const found: { from: number; to: number }[] = [];
  days.forEach((yes, day) => {
    const open = found.at(-1);
    if (yes && open?.to === day - 1) open.to = day;
    else if (yes) found.push({ from: day, to: day });
  });
  return found;
}

/** The windows of one kind on the days that say yes; a window over the new year is two. */
export const windowsOn = (
  days: readonly boolean[],
  what: Pick<ClosedWindow, 'kind' | 'title' | 'forbids'> & {
    because: string | ((from: number, to: number) => string);
  },
): ClosedWindow[] =>
  stretches(days).map(({ from, to }) => ({
    ...what,
    from,
    to,
    because: typeof what.because === 'string' ? what.because : what.because(from, to),
  }));

/** A window in as few words as a narrow ribbon has room for: 'Frozen', 'Heat, no N', 'Closed, no N, P2O5'. */
export const windowInShort = ({ kind, title, forbids }: ClosedWindow): string =>
  kind === 'frozen' ? 'Frozen' : `${kind === 'code' ? 'Closed' : title}, ${forbids}`;
