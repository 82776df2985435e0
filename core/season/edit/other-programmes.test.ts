import loadHighs from 'highs';
import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readCase } from '../../files/case-file';
import { type Case } from '../../records/case';
import { printPrescription } from '../../files/reading-results';
import { isRefusal } from '../../reckoning/refusal';
import { carryOver } from '../plan/carry-over';
import { checkZonePlan } from '../checks/check-plan';
import { lastYearsDoses } from './last-years-doses';
import { planSeason } from '../draft/plan-season';
import { daysBetween } from '../../days/day';
import { planFigures } from '../output/plan-figures';
import { plannedDosesOf } from '../plan/planned-doses';
import { planBest } from '../planner/plan-best';
import { weeklyLightDoses } from './weekly-light-doses';
import { weeklyNitrogen } from '../plan/weekly-nitrogen';
import { withDoses } from '../plan/with-doses';

const okonedo = (): Case => {
  const read = readCase(readFileSync('demo/okonedo-residence.json', 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  return structuredClone(read);
};
/** The residence with doses recorded on its lawn, zone pounds of product. */
const recorded = (...applied: { date: string; productId: string; zoneLb: number }[]): Case => {
  const given = okonedo();
  return { ...given, zones: given.zones.map((z) => ({ ...z, applied })) };
};
const zoneOf = (given: Case) => given.zones[0]!;
const perThousand = (given: Case, lbN: number, percent: number) =>
  ((lbN / (percent / 100)) * zoneOf(given).areaSqFt) / 1000;
const lateCoated = (date: string) =>
  recorded({ date, productId: 'coated-urea-42', zoneLb: perThousand(okonedo(), 1, 42) });

describe('nitrogen left over from last year', () => {
  it('is what a coated dose of fall has not let go by New Year, and soluble nitrogen leaves none', () => {
    const given = lateCoated('2026-10-19');
    const carried = carryOver(given, zoneOf(given), 2027)!;
    expect(carried.lb).toBeGreaterThan(0.1);
    expect(carried.lb).toBeLessThan(0.7);
    expect(carried.byDay.reduce((a, b) => a + b, 0)).toBeCloseTo(carried.lb, 12);
    expect(carried.says).toMatch(/of 19 Oct$/);
    const soluble = recorded({ date: '2026-10-19', productId: 'urea-46', zoneLb: 5 });
    expect(carryOver(soluble, zoneOf(soluble), 2027)).toBeUndefined();
  });
  it('is less the earlier the dose went down, and none from the year before last or without a climate', () => {
    const held = (date: string) => {
      const given = lateCoated(date);
      return carryOver(given, zoneOf(given), 2027)?.lb ?? 0;
    };
    const days = ['2026-05-04', '2026-08-03', '2026-09-14', '2026-10-19', '2026-11-09'].map(held);
    expect(days).toEqual([...days].sort((a, b) => a - b));
    expect(held('2025-11-09')).toBe(0);
    const given = lateCoated('2026-10-19');
    given.property.climate = undefined;
    expect(carryOver(given, zoneOf(given), 2027)).toBeUndefined();
  });
  it('is taken from the year’s need, in a line of its own, and stands in what is printed', () => {
    const [without, given] = [okonedo(), lateCoated('2026-10-19')];
    const { lb } = carryOver(given, zoneOf(given), 2027)!;
    const yearOf = (each: Case) => planSeason(each, 2027).zones[0]!.prescription.nitrogen;
    expect(yearOf(given).year.value).toBeCloseTo(yearOf(without).year.value - lb, 9);
    expect(yearOf(given).steps.find((s) => s.id === 'carry-over')).toMatchObject({ lb: -lb });
    const printed = printPrescription({ ...given, choices: { ...given.choices, year: 2027 } });
    expect(JSON.stringify(printed)).toContain('Carry-over from slow release');
  });
  it('is met by growth before any dose of this year: the planner feeds so much less', async () => {
    const given = lateCoated('2026-11-02');
    const draft = planSeason(given, 2027);
    const best = planBest(await loadHighs(), given, draft, {}, { gap: 0.05, seconds: 20 });
    const plan = withDoses(draft, given, best.doses);
    expect(checkZonePlan(plan.zones[0]!, given, plan).filter((c) => c.standing === 'fail')).toEqual([]);
    const fed = plan.zones[0]!.doses.reduce((sum, d) => sum + (d.delivers.N ?? 0), 0);
    expect(fed).toBeCloseTo(plan.zones[0]!.prescription.nitrogen.year.value, 0);
    expect(fed).toBeLessThan(planSeason(okonedo(), 2027).zones[0]!.prescription.nitrogen.year.value);
    const weekly = weeklyNitrogen(plan.zones[0]!, given.products!, plan);
    expect(weekly.supply[0]).toMatchObject({ key: 'carried', date: '2027-01-01' });
    expect(weekly.demand.reduce((a, b) => a + b, 0)).toBeCloseTo(
      plan.zones[0]!.prescription.nitrogen.year.value + plan.zones[0]!.carried!.lb,
      9,
    );
  });
});

describe('last year’s programme', () => {
  it('is what was put down, on the Monday of the same week, as a rate for 1000 ft2', () => {
    const given = recorded({ date: '2026-05-06', productId: 'coated-urea-42', zoneLb: 7.72 });
    expect(lastYearsDoses(given, 2027)).toEqual([
      {
        zoneId: zoneOf(given).id,
        date: '2027-05-03',
        productId: 'coated-urea-42',
        for: 'N',
        rateLb: 7.72 / (zoneOf(given).areaSqFt / 1000),
      },
    ]);
  });
  it('is what was planned where nothing was recorded, without its locks', () => {
    const given: Case = {
      ...okonedo(),
      plans: [
        {
          id: 'plan-2026',
          year: 2026,
          products: undefined,
          solved: undefined,
          doses: [
            {
              zoneId: zoneOf(okonedo()).id,
              date: '2026-05-11',
              productId: 'coated-urea-42',
              for: 'N',
              rateLb: 2,
              locked: true,
            },
          ],
        },
      ],
    };
    const [dose] = lastYearsDoses(given, 2027);
    expect(dose).toMatchObject({ date: '2027-05-10', rateLb: 2 });
    expect(dose).not.toHaveProperty('locked');
    expect(planFigures(given, withDoses(planSeason(given, 2027), given, [dose!])).doses).toBe(1);
  });
  it('adds up what would fall on one Monday, and stays in its year at both ends', () => {
    const given = recorded(
      { date: '2026-05-05', productId: 'urea-46', zoneLb: 2 },
      { date: '2026-05-07', productId: 'urea-46', zoneLb: 3 },
      { date: '2026-01-01', productId: 'coated-urea-42', zoneLb: 1 },
      { date: '2026-12-31', productId: 'coated-urea-42', zoneLb: 1 },
      { date: '2026-06-01', productId: 'gone-from-the-shelf', zoneLb: 1 },
    );
    const doses = lastYearsDoses(given, 2027);
    expect(doses.map((d) => d.date)).toEqual(['2027-01-04', '2027-05-03', '2027-12-27']);
    expect(doses[1]?.rateLb).toBeCloseTo(5 / (zoneOf(given).areaSqFt / 1000), 12);
  });
  it('is nothing where nothing is known', () => {
    expect(lastYearsDoses(okonedo(), 2027)).toEqual([]);
  });
});

describe('weekly light feeding, to compare with', () => {
  const given = okonedo();
  const draft = planSeason(given, 2027);
  const doses = plannedDosesOf(draft, new Set());
  const weekly = weeklyLightDoses(draft, doses);
  const fallFrom = '2027-09-01';
  it('is half a pound of soluble N every Monday from September to the end of feeding, in place of fall’s nitrogen', () => {
    const fall = weekly.filter((d) => d.for === 'N' && d.date >= fallFrom);
    expect(fall.length).toBeGreaterThan(6);
    fall.forEach((d, i) => {
      const product = given.products!.find((p) => p.id === d.productId)!;
      expect((d.rateLb * product.guaranteed.N!) / 100).toBeCloseTo(0.5, 2);
      if (i > 0) expect(daysBetween(fall[i - 1]!.date, d.date)).toBe(7);
    });
    const kept = (all: typeof doses) => all.filter((d) => d.for !== 'N' || d.date < fallFrom);
    expect(kept(weekly)).toEqual(kept(doses));
  });
  it('is found to break the wait between doses, and to mow and leach more (trials show no gain; common practice)', () => {
    const [ours, theirs] = [doses, weekly].map((each) => planFigures(given, withDoses(draft, given, each)));
    expect(theirs!.fails.join()).toMatch(/Between N doses/);
    expect(theirs!.zones[0]!.mowings).toBeGreaterThanOrEqual(ours!.zones[0]!.mowings);
    expect(theirs!.zones[0]!.leachableLb!).toBeGreaterThan(ours!.zones[0]!.leachableLb!);
    expect(theirs!.trips).toBeGreaterThan(ours!.trips);
  });
  it('leaves warm-season grass, and a shelf without soluble N, as they are', () => {
    const warm = { ...given, zones: given.zones.map((z) => ({ ...z, grass: 'bermudagrass' as const })) };
    const [plan, its] = [planSeason(warm, 2027), plannedDosesOf(planSeason(warm, 2027), new Set())];
    expect(weeklyLightDoses(plan, its)).toEqual(its);
    const slowOnly = { ...given, products: given.products!.filter((p) => p.id === 'coated-urea-42') };
    const slow = planSeason(slowOnly, 2027);
    expect(weeklyLightDoses(slow, plannedDosesOf(slow, new Set()))).toEqual(plannedDosesOf(slow, new Set()));
  });
});
