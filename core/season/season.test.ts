import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { readCase } from '../files/case-file';
import { type Case } from '../records/case';
import { ALL_GRASSES, grassOf } from '../packs/grasses';
import { CLIMATE_PRESETS, STARTER_SHELF } from '../packs/starter-shelf';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { checkZonePlan } from './checks/check-plan';
import { climateYear, growthSeason } from '../climate/climate-year';
import { stretches } from '../climate/closed-window';
import { addDays, dayOfYear, inMonthDaySpan, monthStarts, weekStart } from '../days/day';
import { growthPotential } from '../climate/growth-potential';
import { planSeason } from './draft/plan-season';
import { mehlichReport } from '../soil/mehlich-report.fixture';
import { potashOverLb } from './rules/limits';
import { purchases } from '../products/purchases';

const demos = readdirSync('demo').map((file): [string, Case] => {
  const read = readCase(readFileSync(`demo/${file}`, 'utf8'));
  if (isRefusal(read)) throw new Error(`${file}: ${read.refused}`);
  return [file, read];
});

describe('growth potential', () => {
  it('is 1 at the best temperature and exp(−0.5) one spread away (Gelernter & Stowell 2005; value from memory)', () => {
    expect(evaluate(growthPotential, { meanTempF: 67.5, season: 'cool' })).toBe(1);
    expect(evaluate(growthPotential, { meanTempF: 87.5, season: 'warm' })).toBe(1);
    expect(evaluate(growthPotential, { meanTempF: 57.5, season: 'cool' })).toBeCloseTo(0.60653, 5);
    expect(evaluate(growthPotential, { meanTempF: 99.5, season: 'warm' })).toBeCloseTo(0.60653, 5);
  });
});

describe('days', () => {
  it('counts over leap years and weeks (Gregorian calendar)', () => {
    expect(addDays('2028-02-28', 1)).toBe('2028-02-29');
    expect(dayOfYear('2027-12-31')).toBe(364);
    expect(weekStart('2027-03-07')).toBe('2027-03-01');
  });
  it('closes spans over the new year, both ends inside, 29 February as the 28th', () => {
    expect(inMonthDaySpan('11-15', '11-15', '03-01')).toBe(true);
    expect(inMonthDaySpan('03-01', '11-15', '03-01')).toBe(true);
    expect(inMonthDaySpan('03-02', '11-15', '03-01')).toBe(false);
    expect(inMonthDaySpan('02-29', '01-01', '02-28')).toBe(true);
  });
});

describe('the year of a climate', () => {
  it('keeps the mean of every month to the last digit, and has no corner and no step round the year', () => {
    for (const preset of CLIMATE_PRESETS)
      for (const year of [2027, 2028]) {
        const weather = climateYear(preset.climate, year);
        const starts = monthStarts(year);
        starts.forEach((start, month) => {
          const days = weather.highF.slice(start, starts[month + 1]);
          const mean = days.reduce((sum, high) => sum + high, 0) / days.length;
          expect(mean).toBeCloseTo(preset.climate.meanHighF[month] as number, 9);
        });
        // the slope of a day changes less than the months bend: straight lines turn by half a degree at once
        const slopes = weather.meanF.map(
          (mean, day) => (weather.meanF[(day + 1) % weather.meanF.length] as number) - mean,
        );
        const turns = slopes.map((slope, day) => Math.abs((slopes[(day + 1) % slopes.length] as number) - slope));
        expect(Math.max(...slopes.map(Math.abs))).toBeLessThan(0.75);
        expect(Math.max(...turns)).toBeLessThan(0.05);
      }
  });
  it('opens no feeding day on frozen ground, in heat, or for warm-season grass before green-up', () => {
    for (const preset of CLIMATE_PRESETS)
      for (const grass of ALL_GRASSES) {
        const season = growthSeason(preset.climate, climateYear(preset.climate, 2028), grass);
        season.feeding.forEach((open, day) => {
          if (!open) return;
          expect(season.frozen[day] || season.heat[day]).toBe(false);
          if (grass.season === 'warm') expect(day).toBeGreaterThan(dayOfYear(`2028-${preset.climate.lastFrost}`));
        });
      }
  });
  it('starts centipedegrass later than bermudagrass (common practice: mid to late spring)', () => {
    const preset = CLIMATE_PRESETS[2]!;
    const first = (id: 'centipedegrass' | 'bermudagrass') =>
      growthSeason(preset.climate, climateYear(preset.climate, 2027), grassOf(id)).feeding.indexOf(true);
    expect(first('centipedegrass')).toBeGreaterThan(first('bermudagrass'));
  });
  it('joins neighbouring days into stretches', () => {
    expect(stretches([true, true, false, true])).toEqual([
      { from: 0, to: 1 },
      { from: 3, to: 3 },
    ]);
  });
});

describe.each(demos)('the demo %s', (_name, file) => {
  const plan = planSeason(file, 2027);
  it('breaks none of its own checks', () => {
    for (const zone of plan.zones)
      expect(checkZonePlan(zone, file, plan).filter((c) => c.standing === 'fail')).toEqual([]);
  });
  it('brings each zone its year of nitrogen, potassium and its pH doses', () => {
    for (const { doses, prescription, unplaced } of plan.zones) {
      const sum = (key: string) => doses.reduce((total, d) => total + (d.delivers[key] ?? 0), 0);
      if (unplaced.length > 0) continue;
      expect(sum('N')).toBeCloseTo(prescription.nitrogen.year.value, 2);
      // potash may run a little over, so that no dose is smaller than a spreader lays evenly (D3)
      const potash = prescription.potassium.yearLb;
      expect(sum('K2O')).toBeGreaterThan(potash - 0.005);
      expect(sum('K2O')).toBeLessThanOrEqual(potash + potashOverLb(potash) + 0.005);
      expect(sum('P2O5')).toBeCloseTo(prescription.phosphorus.yearLb, 6);
    }
  });
  it('weighs out what the rate says over the area', () => {
    for (const { doses, zone } of plan.zones)
      for (const dose of doses) expect(dose.zoneLb).toBeCloseTo((dose.rateLb * zone.areaSqFt) / 1000, 9);
  });
});

describe('any year of any grass anywhere', () => {
  it('keeps every dose under its ceiling, off closed dates and off frozen ground', () => {
    const cases = fc.record({
      climate: fc.constantFrom(...CLIMATE_PRESETS),
      grass: fc.constantFrom(...ALL_GRASSES.map((g) => g.id)),
      texture: fc.constantFrom('sand' as const, 'silt-loam' as const, 'clay' as const),
      turf: fc.constantFrom('established' as const, 'close-cut' as const),
      care: fc.constantFrom('low' as const, 'standard' as const, 'high' as const),
      ph: fc.double({ min: 4.6, max: 8.4, noNaN: true }),
      p: fc.integer({ min: 0, max: 80 }),
      k: fc.integer({ min: 0, max: 150 }),
      picked: fc.constantFrom(...STARTER_SHELF.map((s) => s.id)),
      closed: fc.boolean(),
    });
    fc.assert(
      fc.property(cases, ({ climate, grass, texture, turf, care, ph, p, k, picked, closed }) => {
        const file: Case = {
          format: 'ubertas-case',
          version: 1,
          property: { id: 'p', name: 'P', climate: climate.climate },
          zones: [{ id: 'z', name: 'Z', areaSqFt: 3000, grass, texture, turf, care, carbonates: 'none' }],
          soilTests: [mehlichReport(ph, p, k)],
          products: [...STARTER_SHELF],
          codes: closed
            ? [
                {
                  id: 'c',
                  closed: [{ from: '11-01', to: '04-30', nutrients: ['N', 'P2O5'] }],
                  maxTotalNPerDose: 0.9,
                  maxSolubleNPerDose: 0.7,
                },
              ]
            : [],
          choices: undefined,
        };
        const plan = planSeason(file, 2027, { 'z/N': picked, 'z/K2O': picked, 'z/P2O5': picked });
        const zone = plan.zones[0]!;
        expect(checkZonePlan(zone, file, plan).filter((c) => c.standing === 'fail')).toEqual([]);
        for (const dose of zone.doses) expect(Number.isFinite(dose.rateLb) && dose.rateLb > 0).toBe(true);
      }),
      { numRuns: 120 },
    );
  });
});

describe('another lime', () => {
  it('is weighed by its own ECCE: 15.427 lb at an effective value of 65 is 11.66 of ECCE 86 (hand reckoning)', () => {
    const file = demos.find(([name]) => name.startsWith('quarry'))![1];
    const rate = (picked: Record<string, string>) =>
      planSeason(file, 2027, picked).zones[0]!.doses.find((d) => d.for === 'lime')!.rateLb;
    expect(rate({})).toBeCloseTo((15.427 * 65) / 88, 2);
    expect(rate({ 'south-lawn/lime': 'dolomitic-lime' })).toBeCloseTo((15.427 * 65) / 86, 2);
  });
});

describe('purchases', () => {
  it('rounds up over all zones and uses stock first: 118 lb needed, 10 on hand, 50 lb bags is 3 bags (hand reckoning)', () => {
    const urea = { ...STARTER_SHELF[0]!, onHandLb: 10 };
    expect(
      purchases(
        [
          { productId: urea.id, zoneLb: 100 },
          { productId: urea.id, zoneLb: 18 },
        ],
        [urea],
      ),
    ).toEqual([expect.objectContaining({ packages: 3, lb: 150, leftLb: 42, cost: 93 })]);
    expect(purchases([{ productId: urea.id, zoneLb: 9 }], [urea])).toEqual([
      expect.objectContaining({ packages: 0, cost: 0, leftLb: 1 }),
    ]);
  });
  it('offers lime of more than 20 bags by the ton: 1,150 lb are 23 bags of 50 lb, or 0.575 tons (hand reckoning)', () => {
    const lime = { ...STARTER_SHELF.find((p) => p.id === 'calcitic-lime')!, package: { lb: 50, price: 6 } };
    const bought = (zoneLb: number, product = lime) => purchases([{ productId: product.id, zoneLb }], [product])[0]!;
    expect(bought(1150)).toMatchObject({ packages: 23, bulkTons: 0.575 });
    // twenty bags are still carried, and no truck spreads urea
    expect(bought(1000).bulkTons).toBeUndefined();
    expect(bought(1150, { ...STARTER_SHELF[0]!, id: 'feed' } as typeof lime).bulkTons).toBeUndefined();
  });
});
