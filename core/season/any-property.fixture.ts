import fc from 'fast-check';
import { readCase } from '../files/case-file';
import { ALL_GRASSES } from '../packs/grasses';
import { CLIMATE_PRESETS, STARTER_SHELF } from '../packs/starter-shelf';
import { isRefusal } from '../reckoning/refusal';
import type { Case, Climate, LocalCode, Product, SoilResult, SoilTest, Zone } from '../records/case';
import { CARE_LEVELS } from '../records/vocabularies';

/** Properties that nobody tuned to, for tests and measurements: climates, grasses, soils, reports, states, codes and shelves by chance. */

/** A climate near one of the presets: warmer or cooler as a whole, and a little month by month. */
const climates: fc.Arbitrary<Climate> = fc
  .tuple(
    fc.constantFrom(...CLIMATE_PRESETS),
    fc.integer({ min: -4, max: 4 }),
    fc.array(fc.integer({ min: -1, max: 1 }), { minLength: 12, maxLength: 12 }),
  )
  .map(([{ climate }, by, month]) => {
    const moved = (monthly: readonly number[]) => monthly.map((f, i) => f + by + (month[i] as number));
    return { ...climate, meanHighF: moved(climate.meanHighF), meanLowF: moved(climate.meanLowF) };
  });

const CLOSED: NonNullable<LocalCode['closed']>[] = [
  [{ from: '11-16', to: '03-01', nutrients: ['N', 'P2O5'] }],
  [{ from: '12-01', to: '02-28', nutrients: ['N'] }],
  [{ from: '06-01', to: '09-30', nutrients: ['N', 'P2O5'] }],
];
/** Shut to nitrogen and phosphate from New Year to New Year. */
const SHUT: LocalCode[] = [
  {
    id: 'shut',
    name: 'Reed County moratorium',
    closed: [{ from: '01-01', to: '12-31', nutrients: ['N', 'P2O5'] }],
  },
];

const codes: fc.Arbitrary<LocalCode[]> = fc.oneof<fc.MaybeWeightedArbitrary<LocalCode[]>[]>(
  { weight: 5, arbitrary: fc.constant([] as LocalCode[]) },
  {
    weight: 4,
    arbitrary: fc
      .record(
        {
          closed: fc.constantFrom(...CLOSED),
          maxTotalNPerDose: fc.constantFrom(0.5, 0.8, 0.9, 1),
          maxSolubleNPerDose: fc.constantFrom(0.5, 0.7),
          maxNPerYear: fc.constantFrom(1.5, 2.5, 3.5),
          leastSlowPercent: fc.constantFrom(20, 50),
          phosphorusNeedsTest: fc.constant(true),
        },
        { requiredKeys: [] },
      )
      .map((code): LocalCode[] => [{ id: 'code', name: 'Reed County code', ...code }]),
  },
  { weight: 1, arbitrary: fc.constant(SHUT) },
);

const report = (zoneId: string): fc.Arbitrary<SoilTest> =>
  fc
    .record({
      sampledOn: fc.constantFrom('2026-09-14', '2026-11-10', '2027-03-09', '2027-06-15', '2027-08-10'),
      pH: fc.integer({ min: 45, max: 82 }),
      buffer: fc.option(fc.integer({ min: 62, max: 71 })),
      P: fc.option(fc.integer({ min: 3, max: 120 })),
      K: fc.option(fc.integer({ min: 15, max: 260 })),
      Mg: fc.option(fc.integer({ min: 20, max: 300 })),
      Fe: fc.option(fc.integer({ min: 10, max: 90 })),
    })
    .map(({ sampledOn, pH, buffer, P, K, Mg, Fe }) => ({
      id: `t-${zoneId}`,
      zoneId,
      sampledOn,
      depthIn: 4,
      results: [
        { analyte: 'pH' as const, value: pH / 10, method: 'water-1:1' as const },
        ...(buffer === null ? [] : [{ analyte: 'buffer-pH' as const, value: buffer / 10, method: 'smp' as const }]),
        ...Object.entries({ P, K, Mg }).flatMap(([analyte, value]): SoilResult[] =>
          value === null
            ? []
            : [{ analyte: analyte as SoilResult['analyte'], value, unit: 'ppm', method: 'mehlich-3' }],
        ),
        ...(Fe === null
          ? []
          : [{ analyte: 'Fe' as const, value: Fe / 10, unit: 'ppm' as const, method: 'dtpa' as const }]),
      ],
    }));

const zone = (id: string): fc.Arbitrary<Zone> =>
  fc
    .record({
      grass: fc.constantFrom(...ALL_GRASSES),
      area: fc.integer({ min: 8, max: 160 }),
      texture: fc.constantFrom('sand', 'loamy-sand', 'sandy-loam', 'loam', 'silt-loam', 'clay-loam', 'clay' as const),
      care: fc.constantFrom(...CARE_LEVELS),
      clippings: fc.constantFrom('returned', 'bagged' as const),
      irrigated: fc.boolean(),
      light: fc.constantFrom('full-sun', 'full-sun', 'part-shade', 'shade' as const),
      closeCut: fc.boolean(),
      state: fc.constantFrom(
        ...(['established', 'established', 'established', 'new-seeding', 'renovation', 'sod'] as const),
      ),
      sown: fc.constantFrom('2027-04-12', '2027-05-20', '2027-09-05'),
      overseeded: fc.boolean(),
    })
    .map(({ grass, area, closeCut, state, sown, overseeded, ...rest }) => ({
      id,
      name: `Zone ${id}`,
      areaSqFt: area * 100,
      grass: grass.id,
      ...(grass.id === 'creeping-bentgrass' && closeCut ? { turf: 'close-cut' as const } : {}),
      ...(state === 'established' ? {} : { state, seededOn: sown }),
      ...(grass.id === 'bermudagrass' && overseeded && state === 'established'
        ? { overseed: { grass: 'perennial-ryegrass' as const, from: '10-05', to: '04-20' } }
        : {}),
      ...rest,
    }));

/** Any shelf: a handful to all of the starter shelf's bags. */
const anyShelf: fc.Arbitrary<Product[]> = fc.subarray([...STARTER_SHELF] as Product[], { minLength: 0 });

/** A property by chance, of so many zones; on the whole starter shelf or any part of it. Always a file that the product reads. */
export const anyProperty = (zones: { min: number; max: number }, shelf: 'whole' | 'any'): fc.Arbitrary<Case> =>
  fc
    .integer(zones)
    .chain((count) => {
      const ids = Array.from({ length: count }, (_, i) => `z${i + 1}`);
      return fc.record({
        climate: climates,
        codes,
        zones: fc.tuple(...ids.map(zone)),
        tests: fc.tuple(...ids.map((id) => fc.option(report(id), { freq: 6 }))),
        products: shelf === 'whole' ? fc.constant([...STARTER_SHELF] as Product[]) : anyShelf,
      });
    })
    .map(({ climate, codes, zones, tests, products }) => {
      const given: Case = {
        format: 'ubertas-case',
        version: 1,
        property: { id: 'p', name: 'Reed Meadow', climate },
        zones,
        soilTests: tests.flatMap((test) => test ?? []),
        products,
        codes,
        choices: { year: 2027 },
      };
      const read = readCase(JSON.stringify(given));
      if (isRefusal(read)) throw new Error(read.refused);
      return read;
    });

/** So many properties from a seed: the same seed makes the same ones. */
export const someProperties = (
  zones: { min: number; max: number },
  shelf: 'whole' | 'any',
  seed: number,
  count: number,
): Case[] => fc.sample(anyProperty(zones, shelf), { seed, numRuns: count });

/** So many shelves from a seed. */
export const someShelves = (seed: number, count: number): Product[][] => fc.sample(anyShelf, { seed, numRuns: count });
