import { describe, expect, it } from 'vitest';
import type { Choices, LocalCode, Product, Zone } from '../../records/case';
import { grassOf } from '../../packs/grasses';
import { CLIMATE_PRESETS, STARTER_SHELF } from '../../packs/starter-shelf';
import { climateYear, growthSeason } from '../../climate/climate-year';
import { soilTemperatureByDay } from '../../climate/soil-temperature';
import { closedBecause, type Ground } from './open-days';
import { lateSolubleForbidden, seasonSchools } from './season-schools';

const zoneOf = (over: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Lawn',
  areaSqFt: 5000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  ...over,
});
const climateOf = (id: string) => CLIMATE_PRESETS.find((p) => p.id === id)!.climate;
const product = (id: string): Product => STARTER_SHELF.find((p) => p.id === id)!;

const ask = (
  over: Partial<Zone> = {},
  choices: Choices = {},
  more: { region?: string; nitrogenLb?: number; firstDay?: number; codes?: LocalCode[] } = {},
) => {
  const zone = zoneOf(over);
  const grass = grassOf(zone.grass);
  const climate = climateOf(more.region ?? 'transition');
  const season = growthSeason(climate, climateYear(climate, 2027), grass);
  const schools = seasonSchools({
    zone,
    year: 2027,
    grassSeason: grass.season,
    season,
    codes: more.codes ?? [],
    choices,
    nitrogenLb: more.nitrogenLb ?? 3,
    potashLb: 1,
    firstDay: more.firstDay ?? 0,
  });
  return { schools, season };
};

describe('late nitrogen of cool-season grass', () => {
  it('is two soluble steps of half a pound, four to six weeks apart, the last at the end of feeding (common practice)', () => {
    const { schools, season } = ask();
    expect(schools.steps.map((s) => s.id)).toEqual(['mid-fall', 'last-step']);
    const [mid, last] = schools.steps as [(typeof schools.steps)[0], (typeof schools.steps)[0]];
    expect(last.to).toBe(season.feeding.lastIndexOf(true));
    expect(last.to - last.from).toBe(21);
    expect(mid.beforeNext).toEqual({ least: 28, most: 42 });
    expect([mid.leastLb, mid.mostLb]).toEqual([0.5, 1]);
    expect(mid.serves(product('urea-46'))).toBe(true);
    expect(mid.serves(product('coated-urea-42'))).toBe(false);
  });
  it('is one step where the year has little N, none where it has next to nothing, and says so', () => {
    expect(ask({}, {}, { nitrogenLb: 1.59 }).schools.steps.map((s) => s.id)).toEqual(['last-step']);
    expect(ask({}, {}, { nitrogenLb: 1.6 }).schools.steps).toHaveLength(2);
    expect(ask({}, {}, { nitrogenLb: 0.75 }).schools.steps).toHaveLength(1);
    const little = ask({}, {}, { nitrogenLb: 0.74 }).schools;
    expect(little.steps).toEqual([]);
    expect(little.setAside[0]).toContain('0.74 lb N for the year is too little');
    expect(ask({}, {}, { nitrogenLb: 0 }).schools.setAside).toEqual([]);
  });
  it('asks no more than a dose may bring: on sand just under its half pound, on close-cut turf its quarter', () => {
    const least = (zone: Partial<Zone>) => ask(zone, {}).schools.steps[0]?.leastLb;
    expect([least({}), least({ texture: 'sand' }), least({ turf: 'close-cut' })]).toEqual([0.5, 0.48, 0.24]);
  });
  it('keeps under the code’s most soluble N', () => {
    const codes = [{ id: 'c', maxSolubleNPerDose: 0.4 } as LocalCode];
    const [step] = ask({}, {}, { codes }).schools.steps;
    expect([step?.leastLb, step?.mostLb]).toEqual([0.4 * 0.96, 0.4]);
  });
  it('asks for nothing of a fall that is already past', () => {
    expect(ask({}, {}, { firstDay: 364 }).schools.steps).toEqual([]);
  });
  it('late soluble stands about the last mowing, ten days clear of frozen ground', () => {
    const { schools, season } = ask({}, { lateSeason: 'late-soluble' }, { region: 'cool-north' });
    const [step] = schools.steps;
    const freezes = season.frozen.findIndex((yes, day) => yes && day > season.lastMowing!);
    expect(step?.from).toBe(season.lastMowing! - 7);
    expect(step!.to).toBeLessThanOrEqual(freezes - 10);
    expect(schools.alsoOpen.N?.[step!.from]).toBe(true);
    expect(schools.alsoOpen.N?.[step!.from - 1]).toBe(false);
  });
  it.each([
    [{ texture: 'sand' as const }, 'never goes on sand'],
    [{ slopePercent: 8 }, 'slope of 8 %'],
    [{ waterDistanceFt: 49 }, 'within 50 ft of water'],
  ])('late soluble is set aside on %j, and the usual school stands in', (over, says) => {
    const { schools } = ask(over, { lateSeason: 'late-soluble' });
    expect(schools.setAside.join()).toContain(says);
    expect(schools.late?.id).toBe('two-steps');
    expect(lateSolubleForbidden(zoneOf(over))).toContain(says);
  });
  it('late soluble is allowed at the very edges', () => {
    expect(lateSolubleForbidden(zoneOf({ slopePercent: 7.9, waterDistanceFt: 50 }))).toBeUndefined();
  });
  it('slow at first frost wants a partly slow source, ten days about it', () => {
    const { schools, season } = ask({}, { lateSeason: 'slow-first-frost' });
    const [step] = schools.steps;
    expect(step?.from).toBe(season.firstFrost - 10);
    expect(step?.serves(product('urea-46'))).toBe(false);
    expect(step?.measured).toBe('N');
  });
  it('a potassium-led finish holds fall nitrogen to a quarter and asks for potash', () => {
    const { schools } = ask({}, { lateSeason: 'potassium-led' });
    expect(schools.amounts.find((a) => a.id === 'fall-nitrogen')?.mostLb).toBeCloseTo(0.75, 12);
    expect(schools.amounts.find((a) => a.id === 'fall-potash')?.leastLb).toBe(0.5);
  });
  it('weekly light feeding is for comparison only', () => {
    expect(ask({}, { lateSeason: 'weekly-light' }).schools.setAside[0]).toContain('comparison only');
  });
  it('is no matter of warm-season grass', () => {
    expect(ask({ grass: 'bermudagrass' }).schools.steps).toEqual([]);
  });
});

describe('potash of warm-season grass', () => {
  it('before frost: four to six weeks, on zoysiagrass six to eight, without N (common practice)', () => {
    const spanOf = (grass: Zone['grass']) => {
      const { schools, season } = ask({ grass }, { potassium: 'fall' });
      const amount = schools.amounts[0]!;
      return [season.firstFrost - amount.from, season.firstFrost - amount.to, amount.leastLb, amount.withNitrogen];
    };
    expect(spanOf('bermudagrass')).toEqual([42, 28, 0.96, false]);
    expect(spanOf('zoysiagrass')).toEqual([56, 42, 0.96, false]);
  });
  it('before frost: three quarters of a pound on sand (judgement D1)', () => {
    // 0.96 of the ceiling counts as all of it
    expect(ask({ grass: 'bermudagrass', texture: 'sand' }, { potassium: 'fall' }).schools.amounts[0]?.leastLb).toBe(
      0.72,
    );
  });
  it('through winter: every 60 days where soil never freezes, set aside where it does', () => {
    const mild = ask({ grass: 'bermudagrass' }, { potassium: 'winter' }, { region: 'warm-southeast' }).schools;
    expect(mild.amounts.length).toBeGreaterThan(0);
    mild.amounts.forEach((a) => expect(a.to - a.from).toBe(59));
    const cold = ask({ grass: 'bermudagrass' }, { potassium: 'winter' }, { region: 'cool-north' }).schools;
    expect(cold.amounts).toEqual([]);
    expect(cold.setAside[0]).toContain('its soil freezes');
  });
  it('spring and summer only: none from September on', () => {
    expect(ask({ grass: 'bermudagrass' }, { potassium: 'spring-summer' }).schools.amounts[0]).toMatchObject({
      mostLb: 0,
      from: 243,
    });
  });
});

describe('why a product may not go out on a day', () => {
  const groundOf = (region: string, grass: Zone['grass'], over: Partial<Ground> = {}): Ground => {
    const climate = climateOf(region);
    const weather = climateYear(climate, 2027);
    return {
      year: 2027,
      firstDay: 0,
      firstDayIs: 'the day is past',
      season: growthSeason(climate, weather, grassOf(grass)),
      soilF: soilTemperatureByDay(weather.meanF),
      codes: [],
      alsoOpen: {},
      ...over,
    };
  };
  const urea = product('urea-46');
  const north = groundOf('cool-north', 'kentucky-bluegrass');
  const middle = groundOf('transition', 'tall-fescue');
  it('frozen ground closes everything, lime as well', () => {
    expect(closedBecause(north, urea, 10)).toBe('the ground is frozen');
    expect(closedBecause(north, product('calcitic-lime'), 10)).toBe('the ground is frozen');
  });
  it('the local code closes the nutrients it names, on its first and last day', () => {
    const codes = [
      { id: 'c', name: 'County', closed: [{ from: '05-10', to: '05-20', nutrients: ['N'] }] } as LocalCode,
    ];
    const day = (monthDay: number) => closedBecause({ ...middle, codes }, urea, monthDay);
    // 9, 10, 20 and 21 May
    expect([128, 129, 139, 140].map(day)).toEqual([
      undefined,
      'County closes this day for N',
      'County closes this day for N',
      undefined,
    ]);
    expect(closedBecause({ ...middle, codes }, product('sulfate-of-potash-50'), 130)).toBeUndefined();
  });
  it('heat closes nitrogen, free sulfur and lime to cool-season grass (lime: judgement B5)', () => {
    expect(closedBecause(middle, urea, 200)).toContain('heat');
    expect(closedBecause(middle, product('sulfur-prills-90'), 200)).toContain('sulfur burns');
    expect(closedBecause(middle, product('calcitic-lime'), 200)).toContain('lime waits');
  });
  it('days before the plan are closed with their own words', () => {
    expect(closedBecause({ ...middle, firstDay: 150 }, urea, 149)).toBe('the day is past');
    expect(closedBecause({ ...middle, firstDay: 150 }, urea, 150)).toBeUndefined();
  });
  it('microbe-driven nitrogen and free sulfur wait for 55 deg F of soil (common practice)', () => {
    const cold = { ...middle, soilF: middle.soilF.map(() => 54.9) };
    const warm = { ...middle, soilF: middle.soilF.map(() => 55) };
    const organic: Product = { ...urea, guaranteed: { N: 6 }, nitrogen: { 'natural-organic': 6 } };
    expect(closedBecause(cold, organic, 130)).toContain('waits for microbes');
    expect(closedBecause(warm, organic, 130)).toBeUndefined();
    expect(closedBecause(cold, product('sulfur-prills-90'), 130)).toContain('55 deg F');
    expect(closedBecause(warm, product('sulfur-prills-90'), 130)).toBeUndefined();
  });
  it('a school opens days that the season closes, for its nutrient only', () => {
    const day = middle.season.feeding.lastIndexOf(true) + 5;
    expect(closedBecause(middle, urea, day)).toContain('not growing enough');
    const opened = { ...middle, alsoOpen: { N: middle.season.feeding.map((_, d) => d === day) } };
    expect(closedBecause(opened, urea, day)).toBeUndefined();
    expect(closedBecause(opened, product('sulfate-of-potash-50'), day)).toContain('takes up little');
  });
});
