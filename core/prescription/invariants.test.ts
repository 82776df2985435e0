import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LocalCode, OwnFigure, Product, SoilTest, Zone } from '../records/case';
import { zoneAmount } from '../products/zone-amount';
import { GRASS_IDS } from '../records/vocabularies';
import { ALL_GRASSES } from '../packs/grasses';
import { TEXTURE_CLASSES } from '../records/vocabularies';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { evaluate } from '../reckoning/define';
import { isRefusal } from '../reckoning/refusal';
import { planSeason } from '../season/draft/plan-season';
import { type Figure, workingOf } from '../reckoning/figure';
import { prescribeZone } from './prescribe';
import type { ZonePrescription } from './prescription';

const anyZone: fc.Arbitrary<Zone> = fc.record({
  id: fc.constant('z'),
  name: fc.constant('Lawn'),
  areaSqFt: fc.double({ min: 100, max: 80_000, noNaN: true }),
  grass: fc.constantFrom(...GRASS_IDS),
  texture: fc.constantFrom(...TEXTURE_CLASSES),
  turf: fc.constantFrom('established' as const, 'close-cut' as const, 'tilled' as const),
  care: fc.constantFrom('low' as const, 'standard' as const, 'high' as const),
  clippings: fc.constantFrom('returned' as const, 'bagged' as const),
  irrigated: fc.boolean(),
  light: fc.constantFrom('full-sun' as const, 'part-shade' as const, 'deep-shade' as const),
  wear: fc.constantFrom('light' as const, 'heavy' as const),
  carbonates: fc.constantFrom('unknown' as const, 'none' as const, 'strong' as const),
  drainage: fc.constantFrom('good' as const, 'poor' as const),
  ageYears: fc.integer({ min: 0, max: 30 }),
});
const ppm = (max: number) => fc.double({ min: 0, max, noNaN: true });
const anyTest: fc.Arbitrary<SoilTest> = fc
  .record({
    pH: fc.double({ min: 4.6, max: 8.4, noNaN: true }),
    buffer: fc.double({ min: 5.2, max: 6.6, noNaN: true }),
    P: ppm(120),
    K: ppm(200),
    Mg: ppm(200),
    S: ppm(60),
    OM: ppm(8),
  })
  .map(({ pH, buffer, P, K, Mg, S, OM }) => ({
    id: 's',
    zoneId: 'z',
    sampledOn: '2027-02-17',
    depthIn: 4,
    results: [
      { analyte: 'pH', value: pH, method: 'water-1:1' },
      { analyte: 'buffer-pH', value: buffer, method: 'mehlich' },
      ...(['P', 'K', 'Mg', 'S'] as const).map((analyte) => ({
        analyte,
        value: { P, K, Mg, S }[analyte],
        unit: 'ppm' as const,
        method: 'mehlich-3' as const,
      })),
      { analyte: 'OM', value: OM, unit: '%' },
    ],
  }));
const code: LocalCode = {
  id: 'c',
  maxNPerYear: 3.2,
  maxTotalNPerDose: 0.9,
  maxSolubleNPerDose: 0.7,
  phosphorusNeedsTest: true,
};
const products = [...STARTER_SHELF] as Product[];
const prescribe = (zone: Zone, test: SoilTest | undefined, codes: LocalCode[] = []): ZonePrescription =>
  prescribeZone({ zone, tests: test ? [test] : [], products, codes }).prescription;
const limitOf = (zone: Zone) => ALL_GRASSES.find((grass) => grass.id === zone.grass)?.ceilingLb as number;
const figuresOf = ({ ph, nitrogen, phosphorus, potassium, magnesium, sulfur }: ZonePrescription): Figure[] =>
  [
    ph.requirement,
    ph.material,
    ph.dosesFigure,
    nitrogen.year,
    phosphorus.year,
    potassium.year,
    magnesium.year,
    sulfur.year,
  ].filter((figure): figure is Figure => figure !== undefined);

/** Works out a printed arithmetic line by itself. */
function arithmetic(line: string): number | undefined {
  const code = line
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .replaceAll('−', '-')
    .replaceAll('^', '**')
    .replace(/\b(max|min|abs|ceil|exp|sqrt)\b/g, 'Math.$1');
  return /^[-+*/().,\d\seE]*$/.test(code.replace(/Math\.(max|min|abs|ceil|exp|sqrt)/g, ''))
    ? (new Function(`return ${code}`)() as number)
    : undefined;
}

describe('whatever the zone and the report', () => {
  it('lime only on acid soil, sulfur only well above the window, neither without a test', () => {
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) => {
        const { ph } = prescribe(zone, test);
        const grass = ALL_GRASSES.find((each) => each.id === zone.grass);
        const pH = test.results?.[0]?.value as number;
        if (ph.action === 'lime') expect(pH).toBeLessThan(grass?.phLow as number);
        if (ph.action === 'sulfur') {
          expect(pH).toBeGreaterThanOrEqual((grass?.phHigh as number) + 0.3 - 1e-9);
          expect(zone.carbonates).not.toBe('strong');
          expect(zone.drainage).not.toBe('poor');
        }
        const bare = prescribe(zone, undefined);
        expect(bare.ph.doses).toEqual([]);
        expect([bare.phosphorus, bare.potassium, bare.magnesium, bare.sulfur].map((line) => line.yearLb)).toEqual([
          0, 0, 0, 0,
        ]);
      }),
    );
  });
  it('the year’s nitrogen stays under ceiling and code, phosphorus is none where the test is enough or high', () => {
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) => {
        const { nitrogen, phosphorus, potassium } = prescribe(zone, test, [code]);
        expect(nitrogen.year.value).toBeLessThanOrEqual(Math.min(limitOf(zone), 3.2) + 1e-9);
        expect(nitrogen.year.value).toBeGreaterThanOrEqual(0);
        if (phosphorus.level === 'enough' || phosphorus.level === 'high') expect(phosphorus.yearLb).toBe(0);
        if (potassium.level !== 'very-low') expect(potassium.yearLb).toBeLessThanOrEqual(nitrogen.year.value + 1e-9);
        for (const line of [phosphorus, potassium]) if (line.level === 'high') expect(line.yearLb).toBe(0);
      }),
    );
  });
  it('totals per 1000 × area are the zone’s totals are the sums over the doses', () => {
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) => {
        const { ph } = prescribe(zone, test);
        const whole = evaluate(zoneAmount, {
          ratePer1000Lb: ph.material?.value ?? 0,
          areaSqFt: zone.areaSqFt,
        }) as number;
        const parts = ph.doses.map(
          (dose) => evaluate(zoneAmount, { ratePer1000Lb: dose, areaSqFt: zone.areaSqFt }) as number,
        );
        if (ph.action === 'lime' || ph.action === 'sulfur')
          expect(Math.abs(whole - parts.reduce((a, b) => a + b, 0))).toBeLessThanOrEqual(1e-9 * Math.max(1, whole));
        else expect(ph.doses).toEqual([]);
      }),
    );
  });
  it('the dated doses of a year bring what is prescribed, or it is said what found no room', () => {
    const climate = {
      meanHighF: [38, 42, 52, 63, 73, 82, 86, 84, 77, 66, 54, 42],
      meanLowF: [22, 25, 33, 42, 52, 61, 66, 64, 56, 44, 35, 27],
      lastFrost: '04-20',
      firstFrost: '10-20',
    };
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) => {
        const file = {
          format: 'ubertas-case' as const,
          version: 1,
          property: { id: 'p', name: 'P', climate },
          zones: [zone],
          soilTests: [test],
          products,
        };
        const [season] = planSeason(file, 2027, {}, '2027-04-05').zones;
        if (!season) throw new Error('no season');
        const { prescription, doses, unplaced } = season;
        const sum = (nutrient: string) => doses.reduce((total, dose) => total + (dose.delivers[nutrient] ?? 0), 0);
        const missed = (purpose: string) => unplaced.some((each) => each.for === purpose);
        if (!missed('N') && !missed('P2O5'))
          expect(sum('N')).toBeGreaterThanOrEqual(prescription.nitrogen.year.value - 1e-6);
        if (!missed('K2O')) expect(sum('K2O')).toBeGreaterThanOrEqual(prescription.potassium.yearLb - 0.021);
        if (prescription.phosphorus.yearLb === 0) expect(sum('P2O5')).toBeLessThan(1e-9);
        for (const dose of doses) expect(dose.zoneLb).toBeCloseTo((dose.rateLb * zone.areaSqFt) / 1000, 6);
      }),
      { numRuns: 60 },
    );
  });
  it('every figure is reckoned again from its own printed terms, all the way down', () => {
    let checked = 0;
    const check = (figure: Figure, depth = 0) => {
      const working = workingOf(figure);
      if (isRefusal(working)) throw new Error(`${figure.title}: ${working.refused}`);
      for (const step of working.working) {
        const found = arithmetic(step.substituted);
        if (found === undefined || typeof step.value !== 'number') continue;
        checked++;
        expect(
          Math.abs(found - step.value),
          `${figure.title}: ${step.substituted} = ${step.value}`,
        ).toBeLessThanOrEqual(1e-9 * Math.max(1, Math.abs(step.value)));
      }
      if (depth < 6)
        for (const origin of Object.values(figure.origins)) if (origin.figure) check(origin.figure, depth + 1);
    };
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) =>
        figuresOf(prescribe(zone, test, [code])).forEach((figure) => check(figure)),
      ),
      { numRuns: 40 },
    );
    expect(checked).toBeGreaterThan(1000);
  });
  it('no sentence holds a pound of nothing', () => {
    fc.assert(
      fc.property(anyZone, anyTest, (zone, test) => {
        const { ph, nitrogen, phosphorus, potassium, magnesium, sulfur, cautions } = prescribe(zone, test, [code]);
        const said = [
          ph.says,
          ph.retest,
          nitrogen.note ?? '',
          ...[phosphorus, potassium, magnesium, sulfur].map((line) => line.says),
          ...cautions,
          ...nitrogen.steps.map((step) => step.says),
        ];
        for (const sentence of said)
          expect(sentence).not.toMatch(/\d lb(?! (N|P2O5|K2O|Mg|S|lime|CaCO3|soluble|elemental|free|hydrated|gypsum))/);
      }),
    );
  });
  it('an override, whatever it is, never passes a code nor stands where a test is wanting', () => {
    const ownFigure = fc.record({
      line: fc.constantFrom(
        'nitrogen' as const,
        'phosphorus' as const,
        'potassium' as const,
        'lime' as const,
        'free-sulfur' as const,
      ),
      value: fc.double({ min: 0, max: 5, noNaN: true }),
      reason: fc.constant('I know better'),
    });
    fc.assert(
      fc.property(
        anyZone,
        anyTest,
        fc.uniqueArray(ownFigure, { maxLength: 4, selector: (own) => own.line }),
        (zone, test, own) => {
          const given: Zone = { ...zone, own: own as OwnFigure[] };
          const { nitrogen, phosphorus, ph } = prescribe(given, test, [code]);
          expect(nitrogen.year.value).toBeLessThanOrEqual(3.2 + 1e-9);
          const byRule = prescribe(zone, test, [code]);
          if (byRule.phosphorus.yearLb === 0) expect(phosphorus.yearLb).toBe(0);
          const total = ph.doses.reduce((a, b) => a + b, 0);
          if (ph.action === 'lime' || ph.action === 'sulfur') expect(total).toBeCloseTo(ph.material?.value ?? 0, 9);
          const untested = prescribe(given, undefined, [code]);
          expect(untested.ph.doses).toEqual([]);
          expect(untested.potassium.yearLb).toBe(0);
          expect(untested.phosphorus.yearLb).toBe(0);
        },
      ),
    );
  });
});
