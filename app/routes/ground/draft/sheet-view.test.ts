import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Pair } from '@core/reckoning/inputs';
import { LEFT, middleOf, pxPerFt, SCALES_FT, SHEET_HEIGHT, toFt, toPx, TOP, viewOf, zoomed } from './sheet-view';

const WIDTH = 792;
const point = fc.tuple(
  fc.double({ min: -500, max: 1500, noNaN: true }),
  fc.double({ min: -500, max: 900, noNaN: true }),
) as fc.Arbitrary<Pair>;

describe('the sheet', () => {
  it('goes from feet to the screen and back', () => {
    fc.assert(
      fc.property(point, fc.constantFrom(...SCALES_FT.us, ...SCALES_FT.si), point, (at, ftPerInch, from) => {
        const view = { ftPerInch, from };
        const [x, y] = toFt(view, toPx(view, at));
        return Math.abs(x - at[0]) < 1e-6 && Math.abs(y - at[1]) < 1e-6;
      }),
    );
  });
  it('shows all of what lies on it, at the closest scale that does', () => {
    fc.assert(
      fc.property(fc.array(point, { minLength: 1, maxLength: 12 }), (points) => {
        const view = viewOf(points, WIDTH);
        if (view.ftPerInch === 400) return;
        for (const each of points) {
          const [x, y] = toPx(view, each);
          expect(x).toBeGreaterThanOrEqual(LEFT - 1e-6);
          expect(y).toBeGreaterThanOrEqual(TOP - 1e-6);
        }
      }),
    );
  });
  it('starts at zero for a lawn near the corner, a quarter inch to ten feet where nothing is drawn', () => {
    expect(viewOf([], WIDTH)).toEqual({ ftPerInch: 40, from: [0, 0] });
    expect(
      viewOf(
        [
          [20, 20],
          [300, 180],
        ],
        WIDTH,
      ).from,
    ).toEqual([0, 0]);
    expect(pxPerFt({ ftPerInch: 40, from: [0, 0] })).toBe(2.4);
  });
  it('zooms about the pointer, and stops at its ends', () => {
    const view = { ftPerInch: 40, from: [0, 0] as Pair };
    const pointer: Pair = [300, 200];
    const closer = zoomed(view, -1, WIDTH, pointer);
    expect(closer.ftPerInch).toBe(20);
    expect(toFt(closer, pointer).map((n) => Math.round(n * 1e6))).toEqual(
      toFt(view, pointer).map((n) => Math.round(n * 1e6)),
    );
    expect(zoomed({ ...view, ftPerInch: 8 }, -1, WIDTH).ftPerInch).toBe(8);
    expect(zoomed({ ...view, ftPerInch: 400 }, 1, WIDTH).ftPerInch).toBe(400);
  });
  it('puts a name in the middle of its zone', () => {
    expect(
      middleOf([
        [0, 0],
        [100, 20],
        [40, 80],
      ]),
    ).toEqual([50, 40]);
    expect(SHEET_HEIGHT).toBe(22 * 24);
  });
});
