/** Placing doses of one kind on the days of a year, by a plain rule. Days count from 0 for 1 January. */

/** Day of the week of a year's first day, 0 for Monday. */
const mondayOnOrAfter = (day: number, firstWeekday: number): number => day + ((7 - ((day + firstWeekday) % 7)) % 7);

export interface Placement {
  /** Days on which a dose may go down. */
  allowed: readonly boolean[];
  /** Growth that the doses share out, day by day. */
  growth: readonly number[];
  /** 0 where the year starts on a Monday. */
  firstWeekday: number;
  leastGapDays: number;
}

/** The first allowed Monday, else the first allowed day, from `day` on; undefined where none is left. */
function allowedFrom(day: number, { allowed, firstWeekday }: Placement): number | undefined {
  for (let monday = mondayOnOrAfter(Math.max(0, day), firstWeekday); monday < allowed.length; monday += 7)
    if (allowed[monday]) return monday;
  const any = allowed.findIndex((yes, d) => d >= day && yes);
  return any === -1 ? undefined : any;
}

/**
 * Places `count` equal doses by growth: each goes down just before the stretch of growth it feeds, on a Monday, and at
 * least the least gap after the one before. Returns fewer days where the year has no room for more.
 */
export function placeByGrowth(count: number, placement: Placement): number[] {
  const weights = placement.growth.map((share, day) => (placement.allowed[day] ? share : 0));
  const total = weights.reduce((a, b) => a + b, 0);
  if (total === 0 || count <= 0) return [];
  const placed: number[] = [];
  let fed = 0;
  let day = 0;
  for (let dose = 0; dose < count; dose++) {
    const wanted = (total * (dose + 0.2)) / count;
    while (day < weights.length && fed < wanted) fed += weights[day++] as number;
    const previous = placed.at(-1);
    const at = allowedFrom(Math.max(day, previous === undefined ? 0 : previous + placement.leastGapDays), placement);
    if (at === undefined) break;
    placed.push(at);
  }
  return placed;
}

/** Places `count` doses from the first allowed Monday to the last, as evenly as the open days let. */
export function placeAcross(count: number, placement: Placement): number[] {
  const { allowed, leastGapDays } = placement;
  const last = allowed.lastIndexOf(true);
  const from = allowedFrom(0, placement);
  if (from === undefined || count <= 0) return [];
  const to = placeLate(from, last, placement) ?? last;
  const placed: number[] = [];
  for (let dose = 0; dose < count; dose++) {
    const wanted = count === 1 ? from : from + Math.round((dose * (to - from)) / (count - 1));
    const previous = placed.at(-1);
    // a day is the week's Monday where it may be
    const least = previous === undefined ? from : previous + leastGapDays;
    const at = allowedFrom(Math.max(Math.min(wanted - 3, to), least), placement);
    if (at === undefined) break;
    placed.push(at);
  }
  return placed;
}

/** The first allowed day in a span that keeps clear of other days by `clearDays`, Mondays first. */
export function placeClear(
  from: number,
  to: number,
  placement: Placement,
  others: readonly number[],
  clearDays: number,
): number | undefined {
  const clear = (day: number) =>
    (placement.allowed[day] ?? false) && others.every((other) => Math.abs(other - day) >= clearDays);
  for (let day = mondayOnOrAfter(Math.max(0, from), placement.firstWeekday); day <= to; day += 7)
    if (clear(day)) return day;
  for (let day = Math.max(0, from); day <= to; day++) if (clear(day)) return day;
  return undefined;
}

/** The last allowed day in a span, Mondays first; undefined where none is. */
export function placeLate(from: number, to: number, { allowed, firstWeekday }: Placement): number | undefined {
  const days = Array.from({ length: Math.max(0, to - from + 1) }, (_, i) => to - i).filter((day) => allowed[day]);
  return days.find((day) => mondayOnOrAfter(day, firstWeekday) === day) ?? days[0];
}
