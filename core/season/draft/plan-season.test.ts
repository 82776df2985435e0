import ICAL from 'ical.js';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { careTasks, EFFORTS } from '../../care/tasks';
import type { PlannedDose } from '../../records/case';
import { printPlanCalendar } from '../../files/plan-calendar';
import { printPlanCsv, printPurchasesCsv } from '../../files/plan-csv';
import { releaseByDay } from '../../nitrogen/release';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { isRefusal } from '../../reckoning/refusal';
import { doseKey } from '../plan/dose-key';
import { addDose, moveDose, moveDoseTo, removeDose, setRate, swapProduct, toggleLock } from '../edit/edit-plan';
import { consequenceOf } from '../checks/judge-plan';
import { demoCase, dose, draft, GOOD, judged, laid, okonedo } from '../front-lawn.fixture';
import { planSeason } from './plan-season';
import { planFigures } from '../output/plan-figures';
import { planSheet } from '../output/plan-sheet';
import { mondaysOf } from '../../days/weeks';
import { soilTemperatureByDay } from '../../climate/soil-temperature';
import { weeklyNitrogen } from '../plan/weekly-nitrogen';

const product = (id: string) => STARTER_SHELF.find((p) => p.id === id)!;
const key = (d: PlannedDose) => doseKey(d);

describe('weeks', () => {
  it('are named by their Mondays: 2027 has 52, from 4 January to 27 December', () => {
    const weeks = mondaysOf(2027);
    expect(weeks).toHaveLength(52);
    expect([weeks[0], weeks.at(-1)!.date]).toEqual([{ date: '2027-01-04', day: 3 }, '2027-12-27']);
    expect(mondaysOf(2024)[0]!.date).toBe('2024-01-01');
    expect(mondaysOf(2024)).toHaveLength(53);
  });
});

describe('soil temperature', () => {
  it('keeps the mean, damps the swing and lags behind the air', () => {
    const air = Array.from({ length: 365 }, (_, day) => 55 + 25 * Math.cos((2 * Math.PI * (day - 200)) / 365));
    const soil = soilTemperatureByDay(air, 3);
    const most = (course: number[]) => course.indexOf(Math.max(...course));
    expect(soil.reduce((a, b) => a + b, 0) / 365).toBeCloseTo(55, 6);
    expect(Math.max(...soil)).toBeLessThan(Math.max(...air));
    // 3 in over a damping depth of 2.24 m: 97 % of the swing, two days late (hand reckoning)
    expect((Math.max(...soil) - 55) / 25).toBeCloseTo(0.9666, 3);
    expect(most(soil) - most(air)).toBe(2);
    const deep = soilTemperatureByDay(air, 88.2);
    // one damping depth, 88.2 in: down to 1/e, 58 days late (Campbell & Norman 1998, from memory)
    expect((Math.max(...deep) - 55) / 25).toBeCloseTo(Math.exp(-1), 2);
    expect(most(deep) - most(air)).toBe(58);
  });
});

describe('release of nitrogen', () => {
  const even = (f: number) => new Array<number>(365).fill(f);
  const sum = (shares: number[]) => shares.reduce((a, b) => a + b, 0);
  it('plain urea is used up in four weeks, whatever the warmth (common practice)', () => {
    for (const f of [40, 68, 90]) {
      const shares = releaseByDay(product('urea-46'), even(f), 100);
      expect(sum(shares)).toBeCloseTo(1, 9);
      expect(shares.findLastIndex((s) => s > 0)).toBe(127);
    }
  });
  it('coated urea takes its stated days at 68 deg F, half as long 18 deg warmer, twice as long 18 deg cooler', () => {
    const coated = { ...product('coated-urea-42'), releaseDays: 70 };
    const days = (f: number) => releaseByDay(coated, even(f), 0).filter((s) => s > 1e-12).length;
    expect([days(68), days(86), days(50)]).toEqual([70, 35, 140]);
  });
  it('organic nitrogen stands still below 50 deg F', () => {
    const organic = { ...product('urea-46'), guaranteed: { N: 6 }, nitrogen: { 'natural-organic': 6 } };
    expect(sum(releaseByDay(organic, even(49), 0))).toBe(0);
    expect(sum(releaseByDay(organic, even(60), 0))).toBeCloseTo(1, 9);
  });
});

describe('nitrogen by the week', () => {
  it('closes: what is put down is freed within the year or still held', () => {
    const zone = laid(GOOD).zones[0]!;
    const weekly = weeklyNitrogen(zone, okonedo.products!, draft);
    const freed = weekly.supply.flatMap((s) => s.byWeek).reduce((a, b) => a + b, 0);
    const put = weekly.supply.reduce((sum, s) => sum + s.lb, 0);
    expect(freed + weekly.heldLb).toBeCloseTo(put, 9);
    expect(weekly.demand.reduce((a, b) => a + b, 0)).toBeCloseTo(zone.prescription.nitrogen.year.value, 9);
  });
});

describe('a hand edit', () => {
  it('moves by weeks and keeps to its year', () => {
    expect(moveDose(GOOD, key(GOOD[0]!), 2)).toMatchObject([{ date: '2027-05-17' }, {}, {}]);
    expect(moveDose(GOOD, key(GOOD[2]!), 40)).toMatchObject([{}, {}, { date: '2027-10-18' }]);
    expect(moveDoseTo(GOOD, key(GOOD[0]!), '2027-05-12')).toMatchObject([{ date: '2027-05-10' }, {}, {}]);
  });
  it('never puts the same product twice on one day', () => {
    expect(moveDose(GOOD, key(GOOD[1]!), 6)).toMatchObject({ refused: expect.stringContaining('18 Oct') });
  });
  it('swaps a product so that it brings the same nitrogen: 1.6 lb of 42-0-0 are 1.46 lb of 46-0-0', () => {
    expect(swapProduct(GOOD, key(GOOD[0]!), product('urea-46'), okonedo.products!)).toMatchObject([
      { productId: 'urea-46', rateLb: 1.46 },
      {},
      {},
    ]);
    expect(swapProduct(GOOD, key(GOOD[0]!), product('calcitic-lime'), okonedo.products!)).toMatchObject({
      refused: expect.stringMatching(/brings no N/),
    });
  });
  it('refuses rates that are slips of the finger', () => {
    for (const lb of [0, -1, NaN, Infinity, 201])
      expect(setRate(GOOD, key(GOOD[0]!), lb)).toMatchObject({ refused: expect.stringMatching(/between/) });
    expect(setRate(GOOD, key(GOOD[0]!), 1.239)).toMatchObject([{ rateLb: 1.24 }, {}, {}]);
  });
  it('locks, frees, removes and adds', () => {
    const locked = toggleLock(GOOD, key(GOOD[0]!));
    expect(locked[0]).toMatchObject({ locked: true });
    expect(toggleLock(locked, key(GOOD[0]!))).toEqual(GOOD);
    expect(removeDose(GOOD, key(GOOD[0]!))).toHaveLength(2);
    const given = {
      zoneId: 'front-lawn',
      date: '2027-06-02',
      product: product('urea-46'),
      rateLb: 1,
      phosphorusWanted: false,
    };
    expect(addDose(GOOD, given)).toMatchObject([{}, { date: '2027-05-31', for: 'N' }, {}, {}]);
  });
  it('the good plan breaks nothing, and each move names what it breaks and mends', () => {
    const good = judged(GOOD);
    expect(good.checks.filter((c) => c.standing !== 'pass')).toEqual([]);
    const moved = moveDose(GOOD, key(GOOD[0]!), 9) as PlannedDose[];
    const { broken } = consequenceOf(good, judged(moved));
    expect(broken.map((c) => c.id)).toContain('heat');
    expect(broken.find((c) => c.id === 'heat')!.doses).toEqual(['front-lawn/2027-07-05/coated-urea-42']);
    expect(consequenceOf(judged(moved), good).mended.map((c) => c.id)).toContain('heat');
  });
  it.each([
    ['least-interval', () => moveDose(GOOD, key(GOOD[1]!), 4)],
    ['growing', () => moveDose(GOOD, key(GOOD[0]!), -11)],
    ['soluble-dose', () => setRate(GOOD, key(GOOD[1]!), 5)],
    ['total-dose', () => setRate(GOOD, key(GOOD[0]!), 4)],
    ['nitrogen-year', () => removeDose(GOOD, key(GOOD[0]!))],
    ['late-season', () => moveDose(GOOD, key(GOOD[2]!), 5)],
    ['smallest-rate', () => setRate(GOOD, key(GOOD[0]!), 0.4)],
    ['phosphorus', () => [...GOOD, dose('2027-05-17', 'map-11-52', 1, 'P2O5')]],
    ['ph-unasked', () => [...GOOD, dose('2027-03-01', 'calcitic-lime', 20, 'lime')]],
  ] as const)('breaking %s is found by the check of that name', (id, edit) => {
    const next = edit();
    if (isRefusal(next)) throw new Error(next.refused);
    const found = judged(next).checks.find((c) => c.id === id)!;
    expect(found.standing).not.toBe('pass');
    expect(found.says).toMatch(/^[A-Z\d].*\.$/);
    expect(found.says).not.toMatch(/undefined|NaN/);
  });
});

describe('what a plan leaves with', () => {
  const sheet = planSheet(okonedo, laid(GOOD));
  it('the list to buy is the sum of the weigh-outs, whole bags, to the cent', () => {
    const weighed = sheet.lines.reduce((sum, l) => sum + l.weighOutLb, 0);
    expect(sheet.buying.reduce((sum, p) => sum + p.neededLb, 0)).toBeCloseTo(weighed, 9);
    // 1.6 lb x 3.86 thousand = 6.2 lb coated urea, a bag at $52; (3.86 + 3.64) x 3.86 = 14.9 + 14.1 lb, a bag at $23 (hand reckoning)
    expect(sheet.buying.map((p) => [p.name, Number(p.neededLb.toFixed(1)), p.packages, p.cost])).toEqual([
      ['Coated urea', 6.2, 1, 52],
      ['Ammonium sulfate', 29, 1, 23],
    ]);
    expect(sheet.cost).toBe(75);
  });
  it('the tables read back with the same figures', () => {
    const table = Papa.parse<Record<string, string>>(printPlanCsv(sheet), { header: true, skipEmptyLines: true });
    expect(table.errors).toEqual([]);
    expect(table.data.map((row) => Number(row['weigh out (lb product)']))).toEqual(
      sheet.lines.map((l) => l.weighOutLb),
    );
    const buying = Papa.parse<Record<string, string>>(printPurchasesCsv(sheet), { header: true, skipEmptyLines: true });
    expect(buying.data.at(-1)).toMatchObject({ product: 'in all', 'cost ($)': '75.00' });
    expect(buying.data.slice(0, -1).reduce((sum, row) => sum + Number(row['cost ($)']), 0)).toBe(75);
  });
  it('the calendar is read by another parser: a day-long event a trip, alarms, cautions in the text', () => {
    const care = careTasks(laid(GOOD), 'essential');
    const text = printPlanCalendar(sheet, 'okonedo-residence', '2027-04-05T09:00:00Z', care);
    const calendar = new ICAL.Component(ICAL.parse(text) as ConstructorParameters<typeof ICAL.Component>[0]);
    const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    expect(events).toHaveLength(3 + care.length);
    const first = events.find((e) => e.uid === 'okonedo-residence-2027-05-03@ubertas')!;
    expect(first.startDate.isDate).toBe(true);
    expect(first.startDate.toString()).toBe('2027-05-03');
    expect(first.endDate.toString()).toBe('2027-05-04');
    expect(first.description).toContain('6.2 lb product of Coated urea 42-0-0');
    expect(first.description).toContain('Gloves, eye protection');
    expect(first.component.getAllSubcomponents('valarm')).toHaveLength(2);
    // made again it keeps its names, so that a calendar program updates
    expect(printPlanCalendar(sheet, 'okonedo-residence', '2027-04-05T09:00:00Z', care)).toBe(text);
    // lines folded at 75 octets (RFC 5545, 3.1)
    for (const line of text.split('\r\n')) expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
  });
});

describe('care tasks', () => {
  it('each depth of effort holds the one before it', () => {
    for (const name of ['okonedo-residence', 'fenwick-allotment-paths', 'thornbury-chapel-green']) {
      const plan = planSeason(demoCase(name), 2027);
      const [essential, better, best] = EFFORTS.map((effort) => careTasks(plan, effort).map((t) => t.id + t.zoneId));
      expect(better).toEqual(expect.arrayContaining(essential!));
      expect(best).toEqual(expect.arrayContaining(better!));
      expect(best!.length).toBeGreaterThan(better!.length);
      for (const task of careTasks(plan, 'best')) {
        expect(task.from <= task.to && task.from.startsWith('2027')).toBe(true);
        expect(task.says + task.condition).not.toMatch(/undefined|NaN/);
      }
    }
  });
  it('scalps bermudagrass only, overseeds cool-season grass only (common practice)', () => {
    const ids = (name: string) => careTasks(planSeason(demoCase(name), 2027), 'best').map((t) => t.id);
    expect(ids('thornbury-chapel-green')).toContain('scalp');
    expect(ids('fenwick-allotment-paths')).not.toContain('scalp');
    expect(ids('fenwick-allotment-paths')).not.toContain('overseed');
    expect(ids('okonedo-residence')).toContain('overseed');
  });
});

describe('figures for comparing', () => {
  it('nitrogen by month adds up to the doses; more early nitrogen leaches more', () => {
    const [good, heavy] = [
      GOOD,
      [dose('2027-05-17', 'urea-46', 2.17), dose('2027-09-06', 'urea-46', 2.17), dose('2027-10-18', 'urea-46', 2.17)],
    ].map((doses) => planFigures(okonedo, laid(doses)));
    expect(good!.zones[0]!.nitrogenByMonth.reduce((a, b) => a + b, 0)).toBeCloseTo(0.672 + 0.8106 + 0.7644, 9);
    expect(heavy!.zones[0]!.leachableLb!).toBeGreaterThan(good!.zones[0]!.leachableLb!);
    expect(planFigures(okonedo, laid([])).zones[0]!.mowings).toBeLessThan(good!.zones[0]!.mowings);
    // weekly mowing through a growing season of seven months is about 30 cuts (common practice)
    expect(good!.zones[0]!.mowings).toBeGreaterThan(15);
    expect(good!.zones[0]!.mowings).toBeLessThan(40);
    expect(good!.fails).toEqual([]);
  });
});
