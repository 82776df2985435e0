import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { regionArea, regionOf, together } from '../ground/clip';
import { evaluate, explain } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import type { Pair } from '../reckoning/inputs';
import { REGISTRY } from '../registry';
import { CARRIED, fieldGo, goLines, MATERIALS, VERDICTS, verdictOf } from './go';
import { hopperLoads, remaining } from './hopper';
import { monotoneCubic, nextOpening, spreaderOpening } from './opening';
import { bestBearing, stripesOf } from './passes';
import { bestSwath } from './swath';
import { sprayTank } from './tank';
import { weighBack } from './weigh-back';
import { overOrUnder } from '../log/over-or-under';

/** Figures of the day's work, reckoned apart from this code in Python to six digits; passes once more by half-planes on paper. */
const WORKED: readonly [id: string, inputs: Record<string, unknown>, value: unknown][] = [
  [
    'field.passes',
    {
      points: [
        [0, 0],
        [100, 0],
        [100, 60],
        [0, 60],
      ],
      bearingDeg: 90,
      swathFt: 9,
    },
    { passes: 5, spacingFt: 8.4, runs: 5, lapsFt: 284, runsFt: 410, connectFt: 33.6, walkFt: 727.6 },
  ],
  [
    'field.passes',
    {
      points: [
        [0, 0],
        [100, 0],
        [100, 60],
        [0, 60],
      ],
      bearingDeg: 90,
      swathFt: 9,
      headerLaps: 0,
    },
    { passes: 7, spacingFt: 8.57143, runs: 7, lapsFt: 0, runsFt: 700, connectFt: 51.4286, walkFt: 751.429 },
  ],
  [
    'field.passes',
    {
      points: [
        [0, 0],
        [120, 0],
        [120, 40],
        [50, 40],
        [50, 90],
        [0, 90],
      ],
      bearingDeg: 0,
      swathFt: 9,
    },
    { passes: 12, spacingFt: 8.5, runs: 12, lapsFt: 382.069, runsFt: 464.43, connectFt: 135.293, walkFt: 981.792 },
  ],
  ['spread.setting-rate', { productLb: 10.74, spreadFt: 694, swathFt: 9 }, 1.7195],
  ['field.walk-time', { walkFt: 727.6, speedMph: 3, turns: 5 }, 3.00606],
  [
    'field.hopper-loads',
    { productLb: 11.6, hopperLb: 6, runsFt: [284, 82, 82, 82, 82, 82], returnEvery: 1 },
    { loads: 3, loadLb: [4.74697, 5.48242, 1.37061], stopAfterRun: [1, 5, 6] },
  ],
  [
    'field.remaining',
    { productLb: 11.6, runsFt: [284, 82, 82, 82, 82, 82], runsDone: 3, partFt: 40 },
    { doneShare: 0.70317, leftFt: 206, leftLb: 3.44323 },
  ],
  [
    'field.weigh-error',
    { ratePer1000Lb: 1.785714, areaErrorSqFt: 162 },
    { areaLb: 0.289286, scaleLb: 0.05, likelyLb: 0.293575 },
  ],
  [
    'field.small-weight',
    { ratePer1000Lb: 0.4, areaSqFt: 350, scaleStepG: 1 },
    { lb: 0.14, oz: 2.24, grams: 63.5029, readingErrorPercent: 0.787365 },
  ],
  [
    'field.weigh-back',
    { weighedLb: 11.57, backLb: 0.3, areaSqFt: 6480, plannedPer1000Lb: 1.785714, percent: 42, areaErrorSqFt: 162 },
    {
      spreadLb: 11.27,
      ratePer1000Lb: 1.7392,
      nutrientPer1000Lb: 0.730463,
      nutrientLb: 4.7334,
      overPercent: -2.60494,
      likelyRateErrorLb: 0.0448283,
      standing: 'within',
    },
  ],
  ['field.over', { ratio: 1.6, leastDaysBetween: 28 }, { standing: 'over', laterDays: 17 }],
  [
    'field.water-in',
    { depthIn: 0.25, inPerHour: 1.2, intakeInPerHour: 0.4, areaSqFt: 6480 },
    { netDepthIn: 0.25, runMinutes: 12.5, cycles: 3, minutesPerCycle: 4.16667, gallons: 1009.87 },
  ],
  [
    'spread.opening',
    { openings: [3, 4, 5, 6], rates: [1.1, 1.75, 2.6, 3.8], targetLb: 2 },
    { opening: 4.32458, lbPerUnit: 0.85 },
  ],
  [
    'spread.next-opening',
    { openings: [4], rates: [2.1], targetLb: 1.8 },
    { ratio: 1.16667, opening: 3.42857, standing: 'again' },
  ],
  [
    'spread.next-opening',
    { openings: [4, 5], rates: [1.6, 2.2], targetLb: 2.6 },
    { ratio: 0.846154, opening: 5.66667, standing: 'again' },
  ],
  ['spread.tray', { catchG: 2.4, trayLengthIn: 20, trayWidthIn: 14, passes: 3 }, 0.907045],
  [
    'spread.best-swath',
    { catches: [1, 2, 3, 4, 5, 4, 3, 2, 1], traySpacingFt: 1, travel: 'back-and-forth' },
    { swathFt: 6, cvPercent: 8.94427, meanCatch: 4.16667, widerCvPercent: 20.3961 },
  ],
  [
    'spread.best-swath',
    { catches: [0.3, 1.1, 2.6, 4.4, 5.8, 6.1, 5.2, 3.9, 2.2, 0.9, 0.2], traySpacingFt: 2, travel: 'back-and-forth' },
    { swathFt: 12, cvPercent: 10.2023, meanCatch: 5.45, widerCvPercent: 21.9119 },
  ],
  [
    'spray.nozzle-check',
    { caughtOz: [34.1, 33.5, 38.6, 34.4, 0, 33.9], seconds: 60, ratedGpm: 0.26 },
    { meanGpm: 0.272656, off: [3], blocked: [5], worn: [3], worstPercent: 10.6017 },
  ],
  ['spray.speed', { distanceFt: 176, seconds: [41, 39.5] }, 2.98137],
  ['spray.course', { courseSqFt: 340, caughtOz: 42.5 }, { galPerAcre: 42.5391, galPer1000: 0.976562 }],
  ['spray.nozzle-flow', { galPerAcre: 43.56, speedMph: 3, nozzleSpacingIn: 20 }, 0.44],
  ['spray.pressure', { pressurePsi: 30, flowGpm: 0.24, wantedGpm: 0.27 }, 37.9688],
  [
    'spray.small-volume',
    { ozPer1000: 3, areaSqFt: 480, lbPerGal: 10.2, graduationMl: 5 },
    { flOz: 1.44, ml: 42.5859, tsp: 8.64, grams: 52.0497, readingErrorPercent: 5.87049 },
  ],
  [
    'spray.tank',
    {
      areaSqFt: 11_500,
      carrierGalPer1000: 2,
      tankGal: 15,
      liquidsOzPer1000: { iron: 6, 'slow-n': 9 },
      drysLbPer1000: { potash: 0.5 },
      dryGalPerLb: 0.045,
    },
    {
      sprayGal: 23,
      waterGal: 21.3936,
      tanks: 2,
      fullTanks: 1,
      fullTankGal: 15,
      lastTankGal: 8,
      waterPerFullTankGal: 13.9523,
      waterLastTankGal: 7.44125,
      'iron.all': 69,
      'iron.perFullTank': 45,
      'iron.lastTank': 24,
      'slow-n.all': 103.5,
      'slow-n.perFullTank': 67.5,
      'slow-n.lastTank': 36,
      'potash.all': 5.75,
      'potash.perFullTank': 3.75,
      'potash.lastTank': 2,
    },
  ],
  [
    'spray.hose-end',
    { bottleOz: 32, ozPer1000: 10, emptyMinutes: 4, hoseGpm: 5 },
    { areaPerBottleSqFt: 3200, minutesPer1000: 1.25, carrierGalPer1000: 6.25 },
  ],
  [
    'field.go',
    {
      material: 'granular',
      season: 'cool',
      carries: 'nitrogen',
      textureGroup: 'loam',
      windMph: 14,
      gustMph: 19,
      rainNext24In: 0.9,
      highF: 74,
      lowestLowF: 46,
      leaf: 'dry',
      ground: 'firm',
      turf: 'growing',
    },
    { verdict: 'wait', reasons: 'wind, gust, rain24' },
  ],
  [
    'field.go',
    {
      material: 'granular',
      season: 'warm',
      carries: 'lime',
      textureGroup: 'loam',
      windMph: 4,
      turf: 'growing',
      leaf: 'dry',
    },
    { verdict: 'ask', reasons: 'ground, rain24' },
  ],
];

/** A value as near to a figure as the six digits it is given with. */
const near = (value: unknown): unknown =>
  typeof value === 'number'
    ? expect.closeTo(value, Math.max(0, 4 - Math.floor(Math.log10(Math.abs(value) || 1))))
    : Array.isArray(value)
      ? value.map(near)
      : typeof value === 'object' && value !== null
        ? Object.fromEntries(Object.entries(value).map(([key, each]) => [key, near(each)]))
        : value;

describe('the day of the work, figures reckoned apart', () => {
  it.each(WORKED.map(([id, inputs, value], i) => [`${i + 1} ${id}`, id, inputs, value] as const))(
    '%s',
    (_, id, inputs, value) => {
      const answer = explain(REGISTRY.get(id)!, inputs);
      expect(isRefusal(answer) ? answer.refused : answer.value).toEqual(near(value));
    },
  );
  it.each([
    [
      'field.passes',
      {
        points: [
          [0, 0],
          [10, 10],
          [10, 0],
          [0, 10],
        ],
        bearingDeg: 0,
        swathFt: 5,
      },
      'points',
    ],
    [
      'field.passes',
      {
        points: [
          [0, 0],
          [9000, 0],
          [9000, 9000],
          [0, 9000],
        ],
        bearingDeg: 0,
        swathFt: 0.75,
      },
      'swathFt',
    ],
    ['field.hopper-loads', { productLb: 20, hopperLb: 4, runsFt: [50, 50] }, 'hopperLb'],
    ['field.remaining', { productLb: 10, runsFt: [50], runsDone: 2 }, 'runsDone'],
    ['field.remaining', { productLb: 10, runsFt: [50, 50], runsDone: 1, partFt: 60 }, 'partFt'],
    ['field.light-passes', { ratePer1000Lb: 1.8, passes: 4, leastRateLb: 0.6 }, 'passes'],
    [
      'field.weigh-back',
      { weighedLb: 11.6, backLb: 12.1, areaSqFt: 6480, plannedPer1000Lb: 1.8, percent: 42 },
      'backLb',
    ],
    ['spread.opening', { openings: [3, 4], rates: [1, 2], targetLb: 2.5 }, 'targetLb'],
    ['spread.opening', { openings: [3, 3], rates: [1, 1.2], targetLb: 1.1 }, 'openings'],
    ['spread.opening', { openings: [3, 4], rates: [2, 1.5], targetLb: 1.8 }, 'rates'],
    ['spread.opening', { openings: [3, 4], rates: [2, 2.5, 3], targetLb: 2 }, 'rates'],
    ['spread.next-opening', { openings: [3], rates: [0], targetLb: 2 }, 'rates'],
    ['spread.best-swath', { catches: [9, 0, 0, 0, 9], traySpacingFt: 1, travel: 'one-way' }, 'catches'],
    ['spray.nozzle-check', { caughtOz: [0, 0], seconds: 60 }, 'caughtOz'],
    [
      'spray.tank',
      { areaSqFt: 1000, carrierGalPer1000: 0.1, tankGal: 5, liquidsOzPer1000: { iron: 20 } },
      'carrierGalPer1000',
    ],
  ])('%s refuses, naming %o', (id, inputs, field) => {
    expect(explain(REGISTRY.get(id)!, inputs)).toMatchObject({ field });
  });
});

describe('passes', () => {
  const rectangle = fc
    .tuple(fc.integer({ min: 40, max: 200 }), fc.integer({ min: 40, max: 200 }))
    .map(([w, h]): Pair[] => [
      [0, 0],
      [w, 0],
      [w, h],
      [0, h],
    ]);
  it('lie within the ground, no farther apart than the swath, and come out the same on moved and turned ground', () => {
    fc.assert(
      fc.property(
        rectangle,
        fc.integer({ min: 4, max: 10 }),
        fc.integer({ min: 0, max: 359 }),
        fc.integer({ min: 0, max: 359 }),
        (corners, swathFt, bearingDeg, turned) => {
          const asked = { swathFt, bearingDeg };
          const stripes = stripesOf(regionOf(corners), asked);
          if (isRefusal(stripes)) throw new Error(stripes.refused);
          expect(stripes.spacingFt).toBeLessThanOrEqual(swathFt + 1e-9);
          const [w, h] = corners[2] as Pair;
          for (const { from, to } of stripes.runs)
            for (const [x, y] of [from, to]) {
              expect(Math.min(x, y, w - x, h - y)).toBeGreaterThanOrEqual(swathFt - 1e-3);
            }
          const t = (turned * Math.PI) / 180;
          const moved = corners.map(([x, y]): Pair => [
            x * Math.cos(t) - y * Math.sin(t) + 313,
            x * Math.sin(t) + y * Math.cos(t) - 77,
          ]);
          const again = stripesOf(regionOf(moved), { swathFt, bearingDeg: bearingDeg + turned });
          if (isRefusal(again)) throw new Error(again.refused);
          // cutting works on ten-thousandths of a foot: a pass more or less at an exact multiple is possible
          if (again.passes === stripes.passes) {
            expect(Math.abs(again.lapsFt - stripes.lapsFt)).toBeLessThan(0.01);
            expect(Math.abs(again.runsFt - stripes.runsFt) / Math.max(1, stripes.runsFt)).toBeLessThan(0.01);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  it('with the laps cover at least 96 % of a rectangle four swaths wide', () => {
    fc.assert(
      fc.property(rectangle, (corners) => {
        const swathFt = 8;
        const stripes = stripesOf(regionOf(corners), { swathFt, bearingDeg: 90 });
        if (isRefusal(stripes)) throw new Error(stripes.refused);
        const half = swathFt / 2;
        const strips = stripes.runs.map(({ from: [ax, y], to: [bx] }) =>
          regionOf([
            [Math.min(ax, bx) - half, y - half],
            [Math.max(ax, bx) + half, y - half],
            [Math.max(ax, bx) + half, y + half],
            [Math.min(ax, bx) - half, y + half],
          ]),
        );
        const [w, h] = corners[2] as Pair;
        // a lap one swath wide covers the whole edge
        const edge = [
          regionOf([
            [0, 0],
            [w, 0],
            [w, swathFt],
            [0, swathFt],
          ]),
          regionOf([
            [0, h - swathFt],
            [w, h - swathFt],
            [w, h],
            [0, h],
          ]),
          regionOf([
            [0, 0],
            [swathFt, 0],
            [swathFt, h],
            [0, h],
          ]),
          regionOf([
            [w - swathFt, 0],
            [w, 0],
            [w, h],
            [w - swathFt, h],
          ]),
        ];
        expect(regionArea(together([...strips, ...edge])) / (w * h)).toBeGreaterThan(0.96);
      }),
      { numRuns: 30 },
    );
  });
  it('go along the long side where that walks least, and round a bed', () => {
    const lawn: Pair[] = [
      [0, 0],
      [150, 0],
      [150, 40],
      [0, 40],
    ];
    expect(bestBearing(regionOf(lawn), { swathFt: 8 })).toBe(90);
    const bed: Pair[] = [
      [60, 15],
      [60, 25],
      [90, 25],
      [90, 15],
    ];
    const stripes = stripesOf([lawn, bed], { swathFt: 6, bearingDeg: 90 });
    if (isRefusal(stripes)) throw new Error(stripes.refused);
    // round the edge and round the bed
    expect(stripes.laps).toHaveLength(2);
    for (const { from, to } of stripes.runs) {
      const middle = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2] as const;
      const inBed = middle[0] > 60 && middle[0] < 90 && middle[1] > 15 && middle[1] < 25;
      expect(inBed).toBe(false);
    }
  });
});

describe('loads and what is left', () => {
  it('add up to the product, none above the hopper, and nothing is left at the end', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 10, max: 120 }), { minLength: 1, maxLength: 30 }),
        fc.integer({ min: 1, max: 80 }),
        fc.integer({ min: 3, max: 60 }),
        (runsFt, productLb, hopperLb) => {
          const loads = evaluate(hopperLoads, { productLb, hopperLb, runsFt });
          if (!isRefusal(loads)) {
            expect(loads.loadLb.reduce((a, b) => a + b, 0)).toBeCloseTo(productLb, 9);
            expect(Math.max(...loads.loadLb)).toBeLessThanOrEqual(hopperLb + 1e-9);
            expect(loads.stopAfterRun.at(-1)).toBe(runsFt.length);
          }
          expect(evaluate(remaining, { productLb, runsFt, runsDone: runsFt.length })).toMatchObject({ leftLb: 0 });
          expect(evaluate(remaining, { productLb, runsFt, runsDone: 0 })).toMatchObject({ leftLb: productLb });
        },
      ),
    );
  });
});

describe('the curve of a spreader', () => {
  it('is the monotone cubic of the published rule (scipy 1.17.1, PchipInterpolator, values frozen)', () => {
    const frozen: [xs: number[], ys: number[], at: number, value: number][] = [
      [[0, 1, 2, 4], [0, 1, 4, 5], 0.5, 0.3125],
      [[0, 1, 2, 4], [0, 1, 4, 5], 1.5, 2.5711206896551726],
      [[0, 1, 2, 4], [0, 1, 4, 5], 3.9, 4.997172413793103],
      [[1.1, 1.75, 2.6, 3.8], [3, 4, 5, 6], 1.2, 3.1676439936578134],
      [[1.1, 1.75, 2.6, 3.8], [3, 4, 5, 6], 3.5, 5.792436765223003],
      [[0.4, 0.9, 2.2, 2.5, 4], [2, 3.5, 4, 6, 6.5], 1.3, 3.6844032914440157],
      [[0.4, 0.9, 2.2, 2.5, 4], [2, 3.5, 4, 6, 6.5], 2.3, 4.540548396849025],
    ];
    for (const [xs, ys, at, value] of frozen) expect(monotoneCubic(xs, ys, at)).toBeCloseTo(value, 12);
  });
  it('rises, goes through every catch, and comes back to the rate that it was asked', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 7 }),
        fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 7, maxLength: 7 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (dial, steps, a, b) => {
          const openings = [...dial].sort((x, y) => x - y);
          let rate = 0;
          const rates = openings.map((_, i) => (rate += (steps[i] as number) / 10));
          const [low, high] = [rates[0] as number, rates.at(-1) as number];
          const of = (share: number) =>
            evaluate(spreaderOpening, { openings, rates, targetLb: low + share * (high - low) }) as { opening: number };
          const [first, second] = [Math.min(a, b), Math.max(a, b)];
          expect(of(first).opening).toBeLessThanOrEqual(of(second).opening + 1e-9);
          rates.forEach((targetLb, i) => {
            const found = evaluate(spreaderOpening, { openings, rates, targetLb }) as { opening: number };
            expect(found.opening).toBeCloseTo(openings[i] as number, 9);
          });
        },
      ),
    );
  });
  it('two catches lead to an opening that a third confirms, whatever the spreader', () => {
    // a gate that gives with the power of its opening, as orifices do: two catches, then the line, then within a tenth
    fc.assert(
      fc.property(
        fc.double({ min: 0.2, max: 0.6, noNaN: true }),
        fc.double({ min: 1, max: 1.5, noNaN: true }),
        fc.double({ min: 1.5, max: 4, noNaN: true }),
        (k, power, targetLb) => {
          const gives = (opening: number) => k * opening ** power;
          const openings = [4];
          for (let caught = 0; caught < 4; caught++) {
            const rates = openings.map(gives);
            const next = evaluate(nextOpening, { openings, rates, targetLb });
            if (isRefusal(next)) throw new Error(next.refused);
            if (next.standing === 'good') return;
            openings.push(next.opening);
          }
          expect(Math.abs(gives(openings.at(-1) as number) / targetLb - 1)).toBeLessThan(0.1);
        },
      ),
    );
  });
});

describe('a pattern', () => {
  it('has the same best swath in grams and in pounds, and never wider than the pattern and a tray', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 9 }), { minLength: 3, maxLength: 15 }), (catches) => {
        const of = (list: readonly number[]) =>
          evaluate(bestSwath, { catches: list, traySpacingFt: 1, travel: 'back-and-forth' });
        const [one, scaled, mirrored] = [of(catches), of(catches.map((c) => c * 7)), of([...catches].reverse())];
        if (isRefusal(one)) return;
        expect(one.swathFt).toBeLessThanOrEqual(catches.length + 1);
        expect(scaled).toMatchObject({ swathFt: one.swathFt });
        expect(mirrored).toMatchObject({ swathFt: one.swathFt });
      }),
    );
  });
});

describe('a tank', () => {
  it('holds products and water that add to the spray, and equal tanks hold the same in all', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 500, max: 60_000 }),
        fc.integer({ min: 5, max: 60 }),
        fc.integer({ min: 1, max: 60 }),
        (areaSqFt, tankGal, oz) => {
          const of = (split: 'equal' | 'full-then-rest') =>
            evaluate(sprayTank, { areaSqFt, carrierGalPer1000: 2, tankGal, liquidsOzPer1000: { feed: oz }, split });
          const [full, equal] = [of('full-then-rest'), of('equal')];
          if (isRefusal(full) || isRefusal(equal)) throw new Error('refused');
          for (const mix of [full, equal]) {
            const n = (key: string) => mix[key] as number;
            expect(n('waterGal') + n('feed.all') / 128).toBeCloseTo(n('sprayGal'), 9);
            expect(n('fullTanks') * n('feed.perFullTank') + n('feed.lastTank')).toBeCloseTo(n('feed.all'), 6);
            expect(n('fullTankGal')).toBeLessThanOrEqual(tankGal + 1e-9);
          }
          expect(equal['feed.all']).toBe(full['feed.all']);
        },
      ),
    );
  });
});

describe('go, wait or never', () => {
  const facts = fc.record(
    {
      material: fc.constantFrom(...MATERIALS),
      season: fc.constantFrom('cool', 'warm' as const),
      carries: fc.constantFrom(...CARRIED),
      textureGroup: fc.constantFrom('sand', 'loam', 'clay' as const),
      ground: fc.constantFrom('firm', 'soft', 'saturated', 'frozen', 'hard' as const),
      turf: fc.constantFrom('growing', 'dormant', 'waking' as const),
      leaf: fc.constantFrom('dry', 'wet', 'frosted' as const),
      windMph: fc.integer({ min: 0, max: 30 }),
      gustMph: fc.integer({ min: 0, max: 40 }),
      rainNext24In: fc.integer({ min: 0, max: 20 }).map((x) => x / 10),
      rainNext48In: fc.integer({ min: 0, max: 30 }).map((x) => x / 10),
      highF: fc.integer({ min: 40, max: 110 }),
      lowestLowF: fc.integer({ min: 0, max: 60 }),
    },
    { requiredKeys: ['material', 'season', 'carries', 'textureGroup'] },
  );
  const strength = (verdict: string) => VERDICTS.indexOf(verdict as (typeof VERDICTS)[number]);
  it('never gets better by knowing less, nor by more wind, rain or heat', () => {
    fc.assert(
      fc.property(
        facts,
        fc.constantFrom('ground', 'turf', 'leaf', 'windMph', 'rainNext24In', 'highF', 'lowestLowF'),
        (given, taken) => {
          const verdict = verdictOf(goLines(given));
          const less = { ...given, [taken]: undefined };
          delete less[taken];
          // what waits or never goes for a known fact may only ask once it is gone; it never goes
          if (verdict === 'ask') expect(verdictOf(goLines(less))).not.toBe('go');
          const worse = { ...given };
          for (const key of ['windMph', 'rainNext24In', 'highF'] as const)
            if (worse[key] !== undefined) worse[key] = (worse[key] as number) + 5;
          expect(strength(verdictOf(goLines(worse)))).toBeLessThanOrEqual(strength(verdict));
        },
      ),
    );
  });
  it('passes at the limit, and names every line of the strongest verdict', () => {
    const good = {
      material: 'granular',
      season: 'cool',
      carries: 'nitrogen',
      textureGroup: 'loam',
      ground: 'firm',
      turf: 'growing',
      leaf: 'dry',
      windMph: 10,
      gustMph: 15,
      rainNext24In: 0.5,
      rainNext48In: 1,
      highF: 85,
      lowestLowF: 25,
      daysSinceN: 28,
      daysLimeAmmonia: 14,
      hoursToWater: 24,
    } as const;
    expect(evaluate(fieldGo, good)).toEqual({ verdict: 'go', reasons: '' });
    expect(evaluate(fieldGo, { ...good, lowestLowF: 24, windMph: 10.1 })).toEqual({
      verdict: 'wait',
      reasons: 'wind, frost',
    });
    expect(evaluate(fieldGo, { ...good, ground: 'frozen', windMph: 40 })).toEqual({
      verdict: 'never',
      reasons: 'ground',
    });
    expect(evaluate(fieldGo, { ...good, mostWindMph: 8 })).toEqual({ verdict: 'wait', reasons: 'wind' });
  });
});

describe('over and under', () => {
  it.each([
    [0, 'missed', 0],
    [0.49, 'missed', 0],
    [0.5, 'short', 0],
    [0.89, 'short', 0],
    [0.9, 'within', 0],
    [1.1, 'within', 0],
    [1.25, 'a-little-over', 7],
    [1.26, 'over', 8],
    [2, 'over', 28],
    [2.01, 'burn', 29],
  ])('%f of the plan is %s', (ratio, standing, laterDays) => {
    expect(evaluate(overOrUnder, { ratio, leastDaysBetween: 28 })).toEqual({ standing, laterDays });
  });
  it('nothing spread has no error and is short', () => {
    expect(
      evaluate(weighBack, { weighedLb: 5, backLb: 5, areaSqFt: 1000, plannedPer1000Lb: 2, percent: 46 }),
    ).toMatchObject({ spreadLb: 0, likelyRateErrorLb: 0, standing: 'short' });
  });
});
