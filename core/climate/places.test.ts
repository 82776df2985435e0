import { describe, expect, it } from 'vitest';
import { grassOf } from '../packs/grasses';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { isRefusal } from '../reckoning/refusal';
import type { Case } from '../records/case';
import { checkZonePlan } from '../season/checks/check-plan';
import { planSeason } from '../season/draft/plan-season';
import { climateYear, growthSeason } from './climate-year';
import {
  blendOf,
  CLIMATE_PLACES,
  climateNamed,
  climateOfPlace,
  nearestPlaces,
  placeChoices,
  placeName,
  placesCalled,
  positionFrom,
} from './places';

describe('a place', () => {
  it('is found by the start of its name, of a word of it, by its state, and by both', () => {
    expect(placesCalled('portl').map(placeName)).toEqual(['Portland, ME', 'Portland, OR']);
    expect(placesCalled('Portland, or').map(placeName)).toEqual(['Portland, OR']);
    expect(
      placesCalled('paul')
        .map(({ name }) => name)
        .join(' '),
    ).toMatch(/Paul/);
    expect(placesCalled('ohio').every(({ state }) => state === 'OH')).toBe(true);
    expect(placesCalled('oh').some(({ state }) => state === 'OH')).toBe(true);
    expect(placesCalled('atlantis')).toEqual([]);
  });
  it('has twelve months of numbers that can be, and frosts in their halves of the year', () => {
    for (const { id, meanHighF, meanLowF, rainIn, lastFrost, firstFrost } of CLIMATE_PLACES) {
      expect([id, meanHighF.length, meanLowF.length, rainIn.length]).toEqual([id, 12, 12, 12]);
      meanHighF.forEach((high, month) => expect(high).toBeGreaterThan(meanLowF[month]!));
      if (lastFrost && firstFrost) expect([id, lastFrost < '07-15', firstFrost > '07-15']).toEqual([id, true, true]);
    }
  });
  it('gives a lawn its year without a number of climate typed: some grass feeds everywhere, and its plan fails no check', () => {
    for (const place of CLIMATE_PLACES) {
      const climate = climateOfPlace(place);
      const weather = climateYear(climate, 2027);
      const feeding = (id: string) =>
        growthSeason(climate, weather, grassOf(id as 'bermudagrass')).feeding.filter(Boolean).length;
      const grass = ['tall-fescue', 'kentucky-bluegrass', 'bermudagrass'].sort((a, b) => feeding(b) - feeding(a))[0]!;
      expect([place.id, feeding(grass) > 60]).toEqual([place.id, true]);
      const file: Case = {
        format: 'ubertas-case',
        version: 1,
        property: { id: 'p', name: 'P', climate, latitudeDeg: place.latitudeDeg },
        zones: [
          {
            id: 'z',
            name: 'Lawn',
            areaSqFt: 4000,
            grass: grass as 'bermudagrass',
            texture: 'loam',
            turf: 'established',
            care: 'standard',
          },
        ],
        soilTests: [],
        products: [...STARTER_SHELF],
        codes: [],
        choices: undefined,
      };
      const plan = planSeason(file, 2027, {});
      const zone = plan.zones[0]!;
      expect([place.id, zone.doses.length > 1]).toEqual([place.id, true]);
      const fails = checkZonePlan(zone, file, plan).filter((each) => each.standing === 'fail');
      expect([place.id, fails.map((each) => each.id)]).toEqual([place.id, []]);
    }
  });
});

describe('a position', () => {
  it('is read as people write it, and one that cannot be is refused in a sentence', () => {
    expect(positionFrom('40.1, -83.0')).toEqual({ latitudeDeg: 40.1, longitudeDeg: -83 });
    expect(positionFrom('40.1 N 83.0 W, 900 ft')).toEqual({ latitudeDeg: 40.1, longitudeDeg: -83, elevationFt: 900 });
    expect(positionFrom('-33.9; 151.2; 100 m')).toMatchObject({
      latitudeDeg: -33.9,
      elevationFt: expect.closeTo(328.08, 2) as number,
    });
    expect(positionFrom('Columbus')).toBeUndefined();
    expect(positionFrom('95, 10')).toMatchObject({ refused: expect.stringContaining('beyond the pole') as string });
    expect(positionFrom('45, 190')).toMatchObject({
      refused: expect.stringContaining('half round the earth') as string,
    });
  });
  it('has its nearest places by miles over the earth: a degree of latitude at 40 N is 69.0 miles (WGS 84, common practice)', () => {
    const [place] = CLIMATE_PLACES.filter(({ latitudeDeg }) => Math.abs(latitudeDeg - 40) < 1);
    const [first] = nearestPlaces(
      { latitudeDeg: place!.latitudeDeg + 1, longitudeDeg: place!.longitudeDeg, elevationFt: place!.elevationFt - 300 },
      84,
    ).filter((each) => each.place === place);
    expect(first!.miles).toBeCloseTo(69.0, 0);
    expect(first!.higherFt).toBeCloseTo(300, 9);
  });
  it('is offered the blend of its two nearest first, unless one is its own', () => {
    const between = placeChoices('39.2, -92.5');
    if (isRefusal(between)) throw new Error(between.refused);
    expect(between[0]!.name).toMatch(/^Between /);
    expect(between[0]!.climate.source).toMatch(/^\d+ % .*from memory, rounded: replace with your station$/);
    const [place] = CLIMATE_PLACES;
    const own = placeChoices(`${place!.latitudeDeg}, ${place!.longitudeDeg}`);
    if (isRefusal(own)) throw new Error(own.refused);
    expect(own[0]!.name).toBe(placeName(place!));
    for (const choice of [...between, ...own])
      expect(climateNamed(`place:${choice.id}`)?.climate).toEqual(choice.climate);
  });
  it('has a blend that is nearer to the nearer, number by number and frost by frost (hand reckoning)', () => {
    const flat = (high: number, lastFrost?: string) => ({
      ...CLIMATE_PLACES[0]!,
      meanHighF: Array<number>(12).fill(high),
      meanLowF: Array<number>(12).fill(high - 20),
      rainIn: Array<number>(12).fill(high / 20),
      lastFrost,
      firstFrost: '10-10',
    });
    const two = [
      { place: flat(60, '04-10'), miles: 30 },
      { place: flat(90, '04-25'), miles: 60 },
    ] as const;
    const blend = blendOf(two);
    expect(blend.meanHighF[0]).toBeCloseTo(70, 12);
    expect(blend.rainIn?.[6]).toBeCloseTo(3.5, 12);
    expect([blend.lastFrost, blend.firstFrost]).toEqual(['04-15', '10-10']);
    // where only the farther has a frost there is none
    expect(blendOf([{ place: flat(60), miles: 30 }, two[1]]).lastFrost).toBeUndefined();
  });
});
