import type { Pair } from '@core/reckoning/inputs';
import { inUnit } from '@core/units/table';

/** A square of the grid stays a quarter inch on the screen; the ground it stands for changes. */
export const SQUARE_PX = 24;
/** Ground to the inch of sheet, ft: round in feet, or four squares round in meters. */
export const SCALES_FT = {
  us: [8, 20, 40, 60, 100, 200, 400],
  si: [2, 4, 10, 20, 40, 80, 120].map((meters) => inUnit(meters, 'm', 'ft')),
} as const satisfies Record<string, readonly number[]>;
type Scales = readonly number[];
export const SHEET_HEIGHT = 528;
/** Room for the ruler. */
export const LEFT = 36;
export const TOP = 26;

/** What part of the ground the sheet shows, and how large. */
export interface SheetView {
  ftPerInch: number;
  /** Ground at the sheet's upper left corner, ft. */
  from: Pair;
}

export const pxPerFt = (view: SheetView): number => (4 * SQUARE_PX) / view.ftPerInch;
export const toPx = (view: SheetView, [x, y]: Pair): Pair => [
  LEFT + (x - view.from[0]) * pxPerFt(view),
  TOP + (y - view.from[1]) * pxPerFt(view),
];
export const toFt = (view: SheetView, [x, y]: Pair): Pair => [
  view.from[0] + (x - LEFT) / pxPerFt(view),
  view.from[1] + (y - TOP) / pxPerFt(view),
];

/** The closest view that shows all of some points, a square of margin round them. */
export function viewOf(points: readonly Pair[], width: number, scales: Scales = SCALES_FT.us): SheetView {
  if (points.length === 0) return { ftPerInch: scales[2] as number, from: [0, 0] };
  const xs = points.map((p) => p[0]);
  const ys = points.map((p) => p[1]);
  const [west, north] = [Math.min(...xs), Math.min(...ys)];
  const [wide, tall] = [Math.max(...xs) - west, Math.max(...ys) - north];
  const ftPerInch =
    scales.find((ft) => {
      const square = ft / 4;
      const across = ((width - LEFT) / SQUARE_PX) * square;
      const down = ((SHEET_HEIGHT - TOP) / SQUARE_PX) * square;
      return wide + 2 * square <= across && tall + 3 * square <= down;
    }) ?? (scales.at(-1) as number);
  const square = ftPerInch / 4;
  // whole squares, so that the ruler starts on a round figure
  const snapDown = (value: number) => Math.floor((value - square) / (4 * square)) * 4 * square;
  return {
    ftPerInch,
    from: [west >= 0 && west < 4 * square ? 0 : snapDown(west), north >= 0 && north < 4 * square ? 0 : snapDown(north)],
  };
}

/** The view one step closer (-1) or wider (+1), the middle staying where it is. */
export function zoomed(
  view: SheetView,
  by: -1 | 1,
  width: number,
  about?: Pair,
  scales: Scales = SCALES_FT.us,
): SheetView {
  const at = scales.findIndex((ft) => Math.abs(ft - view.ftPerInch) < 1e-9);
  const ftPerInch = scales[at + by];
  if (ftPerInch === undefined) return view;
  const middle: Pair = about ?? [(LEFT + width) / 2, (TOP + SHEET_HEIGHT) / 2];
  const ground = toFt(view, middle);
  const next = { ftPerInch, from: view.from };
  const moved = toFt(next, middle);
  return { ftPerInch, from: [view.from[0] + ground[0] - moved[0], view.from[1] + ground[1] - moved[1]] };
}

/** Middle of an outline's box, where its name stands. */
export const middleOf = (corners: readonly Pair[]): Pair => {
  const xs = corners.map((c) => c[0]);
  const ys = corners.map((c) => c[1]);
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
};
