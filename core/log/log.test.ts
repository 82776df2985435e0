import { climateYear } from '../climate/climate-year';
import { soilTemperatureByDay } from '../climate/soil-temperature';
import { dayOfYear } from '../days/day';
import { type NitrogenForm, NITROGEN_FORMS } from '../records/vocabularies';
import { carryOver } from '../season/plan/carry-over';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkCase, type Case, type Product, type RecordBody, type RecordVersion } from '../records/case';
import { isRefusal } from '../reckoning/refusal';
import { evaluate } from '../reckoning/define';
import { okonedo } from '../season/front-lawn.fixture';
import { asStored, withGiven } from './applied';
import { logDrift } from './drift';
import { heldNitrogen } from './held-nitrogen';
import { refuseBody } from './kinds';
import { broughtByAPound, ledgerOf, SUBSTANCES } from '../ledger/ledger';
import { labelOf } from './label';
import { springSkip } from './spring-skip';
import { logStock } from './stock';
import { logTally } from './tally-reckoning';
import { logTiming } from './timing';
import {
  correction,
  firstVersion,
  mergeVersions,
  namedVersion,
  recordsOf,
  unsoundVersion,
  versionName,
  withdrawal,
} from './versions';

const PEN = { at: '2027-05-03T10:00:00-04:00', by: 'R. Amadi' };
const later = (hour: number, by = 'R. Amadi') => ({ at: `2027-05-03T${10 + hour}:00:00-04:00`, by });
const shelf = new Map((okonedo.products ?? []).map((product) => [product.id, product]));
const product = (id: string): Product => shelf.get(id) as Product;
const [lawn] = okonedo.zones;
const feeding = (date: string, productId: string, spreadLb: number, more: Partial<RecordBody> = {}): RecordBody => ({
  kind: 'feeding',
  date,
  zoneIds: [lawn!.id],
  zoneAreaSqFt: lawn!.areaSqFt,
  product: labelOf(product(productId)),
  spreadLb,
  ...more,
});
const logged = (...versions: RecordVersion[]): Case => ({ ...okonedo, records: versions });
const only = (versions: readonly RecordVersion[]) => {
  const [record] = recordsOf(versions);
  if (!record) throw new Error('no record');
  return record;
};

describe('reckonings of the log, figures reckoned apart', () => {
  it.each([
    [
      heldNitrogen,
      {
        nitrogenLb: 0.9,
        form: 'polymer-coated-urea',
        soilF: [...Array<number>(40).fill(60), ...Array<number>(30).fill(45)],
      },
      { releasedLb: 0.537012, leftLb: 0.362988 },
    ],
    [
      heldNitrogen,
      {
        nitrogenLb: 0.8,
        form: 'natural-organic',
        soilF: [...Array<number>(20).fill(55), ...Array<number>(20).fill(48)],
      },
      { releasedLb: 0.11546, leftLb: 0.68454 },
    ],
    [
      logTally,
      { spreadLb: [11.3, 2.1], percent: [42, 21], areaSqFt: 6480 },
      { nutrientLb: 5.187, nutrientPer1000Lb: 0.800463, doses: 2 },
    ],
    [
      logDrift,
      { plannedLb: [0.75, 0.75], givenLb: [0.73, 1.02] },
      { plannedLb: 1.5, givenLb: 1.75, driftLb: 0.25, driftPercent: 16.6667 },
    ],
    [logTiming, { plannedDay: 249, givenDay: 262, fromDay: 244, toDay: 285 }, { daysOff: 13, standing: 'late' }],
    [springSkip, { fallNitrogenLb: 1.35, fallWantedLb: 1.5, season: 'cool' }, { share: 0.9, standing: 'skip' }],
    [
      logStock,
      { onHandLb: 50, boughtLb: 50, spreadLb: 61.4, packageLb: 50, packagePrice: 52 },
      { leftLb: 38.6, cost: 63.856 },
    ],
  ] as const)('%#', (reckoning, inputs, value) => {
    const answer = evaluate(reckoning as never, inputs as never) as Record<string, number | string>;
    for (const [key, expected] of Object.entries(value))
      if (typeof expected === 'number') expect(answer[key]).toBeCloseTo(expected, 4);
      else expect(answer[key]).toBe(expected);
  });
  it('refuse amounts without percents, and know every standing', () => {
    expect(evaluate(logTally, { spreadLb: [1, 2], percent: [3], areaSqFt: 100 })).toMatchObject({ field: 'percent' });
    const timing = (givenDay: number) => evaluate(logTiming, { plannedDay: 100, givenDay, fromDay: 80, toDay: 130 });
    expect([70, 80, 93, 107, 108, 131].map((day) => (timing(day) as { standing: string }).standing)).toEqual([
      'out-of-window',
      'early',
      'on-time',
      'on-time',
      'late',
      'out-of-window',
    ]);
    const skip = (fallNitrogenLb: number, season: 'cool' | 'warm' = 'cool') =>
      (evaluate(springSkip, { fallNitrogenLb, fallWantedLb: 1.2, season }) as { standing: string }).standing;
    // three quarters of 1.2 is 0.9, but a pound it must be
    expect([skip(1), skip(0.95), skip(0.6), skip(0.59), skip(1.2, 'warm')]).toEqual([
      'skip',
      'light',
      'light',
      'feed',
      'feed',
    ]);
  });
});

describe('versions', () => {
  it('are named by their content: RFC 8785 and SHA-256, a name reckoned apart', () => {
    expect(
      versionName({
        recordId: 'r1',
        parents: [],
        at: '2027-09-06T10:52:00-05:00',
        by: 'Operator 1',
        body: { kind: 'rain', date: '2027-09-06', zoneIds: ['south-lawn'], facts: { depthIn: 0.3 } },
      } as Omit<RecordVersion, 'versionId'>),
    ).toBe('v_gcxwhbwhhxq2yfh4gw7cfgrthp');
  });
  it('that were changed by a byte are found out', () => {
    const version = firstVersion('r', feeding('2027-05-03', 'coated-urea-42', 6), PEN);
    expect(unsoundVersion([version])).toBeUndefined();
    expect(unsoundVersion([{ ...version, body: { ...version.body, spreadLb: 6.1 } }])).toBeDefined();
  });

  const first = firstVersion('r', feeding('2027-05-03', 'coated-urea-42', 6.2), PEN);
  const corrected = correction(
    only([first]),
    feeding('2027-05-03', 'coated-urea-42', 3.2),
    'read the scale wrong',
    later(1),
  );
  it('count by their head: a correction, a deletion and its return', () => {
    expect(only([first, corrected]).body.spreadLb).toBe(3.2);
    const gone = withdrawal(only([first, corrected]), 'twice in the book', later(2));
    expect(only([corrected, gone, first])).toMatchObject({ withdrawn: true });
    const back = correction(only([first, corrected, gone]), corrected.body, 'it was not', later(3));
    expect(only([back, gone, first, corrected])).toMatchObject({ withdrawn: false, fork: [] });
    expect(only([back, gone, first, corrected]).versions.map(({ versionId }) => versionId)).toEqual(
      [first, corrected, gone, back].map(({ versionId }) => versionId),
    );
  });
  it('stand in the order in which they follow, also where a clock stood still or went back', () => {
    const back = correction(only([first]), corrected.body, 'the clock went back', later(-3));
    const names = (versions: readonly RecordVersion[]) => only(versions).versions.map(({ versionId }) => versionId);
    expect(names([back, first])).toEqual([first.versionId, back.versionId]);
    const still = correction(only([first, back]), first.body, 'the clock stood', later(-3));
    expect(names([still, back, first])).toEqual([first.versionId, back.versionId, still.versionId]);
    expect(only([still, back, first]).head).toBe(still);
  });
  it('of two browsers fork, the later counts, and choosing ends it', () => {
    const other = correction(
      only([first]),
      feeding('2027-05-03', 'coated-urea-42', 5),
      'weighed again',
      later(2, 'B. Osei'),
    );
    const forked = only([first, other, corrected]);
    expect(forked.body.spreadLb).toBe(5);
    expect(forked.fork).toHaveLength(2);
    const chosen = correction(forked, corrected.body, 'chosen', later(3));
    expect(chosen.parents).toHaveLength(2);
    expect(only([chosen, first, other, corrected])).toMatchObject({ fork: [], body: { spreadLb: 3.2 } });
  });
  it('of which an earlier one is missing are kept, and say so', () => {
    expect(only([corrected])).toMatchObject({ lacksParent: true, body: { spreadLb: 3.2 } });
  });

  const anyVersion = fc
    .record({
      record: fc.integer({ min: 0, max: 3 }),
      parent: fc.integer({ min: 0, max: 3 }),
      lb: fc.integer({ min: 1, max: 9 }),
      hour: fc.integer({ min: 0, max: 9 }),
      withdrawn: fc.boolean(),
    })
    .map(({ record, parent, lb, hour, withdrawn }) =>
      namedVersion({
        recordId: `r${record}`,
        parents:
          parent === 0
            ? []
            : [firstVersion(`r${record}`, feeding('2027-05-03', 'coated-urea-42', parent), PEN).versionId],
        ...later(hour),
        ...(withdrawn ? { withdrawn } : {}),
        body: feeding('2027-05-03', 'coated-urea-42', lb),
      }),
    );
  it('merge idempotently, commutatively and associatively, and never get fewer', () => {
    const log = fc.array(anyVersion, { maxLength: 8 });
    const names = (versions: readonly RecordVersion[]) => versions.map(({ versionId }) => versionId);
    const heads = (versions: readonly RecordVersion[]) =>
      Object.fromEntries(recordsOf(versions).map(({ recordId, head }) => [recordId, head.versionId]));
    fc.assert(
      fc.property(log, log, log, (a, b, c) => {
        const merged = mergeVersions(a, b);
        expect(names(mergeVersions(merged, a))).toEqual(names(merged));
        expect(names(mergeVersions(b, a))).toEqual(names(merged));
        expect(names(mergeVersions(mergeVersions(a, b), c))).toEqual(names(mergeVersions(a, mergeVersions(b, c))));
        expect(merged.length).toBeGreaterThanOrEqual(new Set(names(a)).size);
        expect(heads([...merged].reverse())).toEqual(heads(merged));
        // what was printed and read again is the same log
        expect(mergeVersions(JSON.parse(JSON.stringify(merged)) as RecordVersion[])).toEqual(merged);
        expect(unsoundVersion(merged)).toBeUndefined();
      }),
      { numRuns: 60 },
    );
  });
});

describe('what a record needs', () => {
  const refused = (body: RecordBody) => refuseBody(body)?.refused ?? 'fine';
  it('says what is missing, and what does not belong to its kind', () => {
    const base = { date: '2027-05-03', zoneIds: ['front-lawn'] };
    expect(refused({ ...base, kind: 'mowing', facts: { heightIn: 3 } })).toBe('fine');
    expect(refused({ ...base, kind: 'mowing' })).toMatch(/height it was mown to is missing/);
    expect(refused({ ...base, kind: 'rain', facts: { depthIn: 1, heightIn: 3 } })).toMatch(/does not have "heightIn"/);
    expect(refused({ ...base, kind: 'watering' })).toMatch(/depth, or the minutes/);
    expect(refused({ ...base, kind: 'note', notes: ' ' })).toMatch(/needs its words/);
    expect(refused({ ...base, kind: 'feeding' })).toMatch(/which product/);
    expect(refused(feeding('2027-05-03', 'coated-urea-42', 6, { weighedLb: 6.5, backLb: 0.5 }))).toBe('fine');
    expect(refused(feeding('2027-05-03', 'coated-urea-42', 6, { weighedLb: 6.5, backLb: 7 }))).toMatch(
      /More came back/,
    );
    expect(refused(feeding('2027-05-03', 'coated-urea-42', 6, { weighedLb: 6.5, backLb: 1 }))).toMatch(/do not make/);
  });
  it('keeps the amount of a pesticide as it was written, whatever it says', () => {
    const body: RecordBody = {
      kind: 'pesticide',
      date: '2027-05-03',
      zoneIds: ['front-lawn'],
      facts: { productName: 'Weed stop', amountAsTyped: '1 1/2 oz, two passes <b>' },
    };
    expect(refused(body)).toBe('fine');
    expect(checkCase(logged(firstVersion('p', body, PEN)))).toMatchObject({ records: [{ body }] });
  });
});

describe('what went down, for everything that reckons with it', () => {
  const record = firstVersion('r', feeding('2027-05-03', 'coated-urea-42', 6), PEN);
  it('is known to the zones, and never stored with them', () => {
    const given = withGiven(logged(record));
    expect(given.zones[0]?.applied).toEqual([
      { date: '2027-05-03', productId: 'coated-urea-42', zoneLb: 6, recordId: 'r' },
    ]);
    expect(asStored(given.zones[0]!)).toEqual(okonedo.zones[0]);
    // beside what an old file brought
    const old = { date: '2026-09-01', productId: 'coated-urea-42', zoneLb: 4 };
    const both = withGiven({ ...logged(record), zones: [{ ...lawn!, applied: [old] }] }).zones[0]!;
    expect(both.applied).toHaveLength(2);
    expect(asStored(both).applied).toEqual([old]);
  });
  it('goes by the label as it stood, whatever the shelf says by now', () => {
    const edited = (okonedo.products ?? []).map((each) =>
      each.id === 'coated-urea-42' ? { ...each, guaranteed: { N: 20 }, nitrogen: undefined } : each,
    );
    const nitrogen = (file: Case) => ledgerOf(withGiven(file), 2027, '2027-12-31').zones[0]!.year.N;
    const was = nitrogen(logged(record));
    expect(was).toBeCloseTo((6 * 0.42) / (lawn!.areaSqFt / 1000), 9);
    expect(nitrogen({ ...logged(record), products: edited })).toBeCloseTo(was, 12);
    expect(nitrogen({ ...logged(record), products: [] })).toBeCloseTo(was, 12);
    // and nothing is planned with the copy
    expect(withGiven<Case>({ ...logged(record), products: [] }).products?.[0]?.unfinished).toBe(true);
  });
  it('leaves out what was withdrawn, and has it back where that is taken back', () => {
    const gone = withdrawal(only([record]), 'never happened', later(1));
    expect(withGiven(logged(record, gone)).zones[0]?.applied).toBeUndefined();
    const back = correction(only([record, gone]), record.body, 'it did', later(2));
    expect(withGiven(logged(record, gone, back)).zones[0]?.applied).toHaveLength(1);
  });
});

describe('the ledger', () => {
  const ids = ['coated-urea-42', 'ammonium-sulfate-21'];
  const dose = fc.record({
    id: fc.constantFrom(...ids),
    month: fc.integer({ min: 1, max: 12 }),
    lb: fc.integer({ min: 1, max: 80 }).map((tenths) => tenths / 10),
  });
  const file = (doses: readonly { id: string; month: number; lb: number }[]) =>
    withGiven(
      logged(
        ...doses.map(({ id, month, lb }, i) =>
          firstVersion(`r${i}`, feeding(`2027-${String(month).padStart(2, '0')}-10`, id, lb), PEN),
        ),
      ),
    );
  it('of the year is the sum of its months, and per 1000 times the area is what went down in all', () => {
    fc.assert(
      fc.property(fc.array(dose, { maxLength: 10 }), (doses) => {
        const [zone] = ledgerOf(file(doses), 2027, '2027-12-31').zones;
        for (const each of SUBSTANCES) {
          const months = zone!.months.reduce((sum, month) => sum + month[each], 0);
          expect(months).toBeCloseTo(zone!.year[each], 9);
          expect(zone!.year[each] * (lawn!.areaSqFt / 1000)).toBeCloseTo(zone!.yearInAll[each], 9);
        }
        expect(zone!.year.N).toBeCloseTo(zone!.year['N-soluble'] + zone!.year['N-slow'], 9);
      }),
      { numRuns: 40 },
    );
  });
  it('does not change where a record is written in two', () => {
    const whole = ledgerOf(file([{ id: ids[0]!, month: 5, lb: 6 }]), 2027, '2027-12-31');
    const halves = ledgerOf(
      file([
        { id: ids[0]!, month: 5, lb: 2.5 },
        { id: ids[0]!, month: 5, lb: 3.5 },
      ]),
      2027,
      '2027-12-31',
    );
    for (const each of SUBSTANCES) expect(halves.property[each]).toBeCloseTo(whole.property[each], 9);
  });
  it('counts by the ground as it was measured then', () => {
    const half = firstVersion('r', feeding('2027-05-03', ids[0]!, 6, { zoneAreaSqFt: lawn!.areaSqFt / 2 }), PEN);
    const [zone] = ledgerOf(withGiven(logged(half)), 2027, '2027-12-31').zones;
    expect(zone!.year.N).toBeCloseTo((6 * 0.42) / (lawn!.areaSqFt / 2000), 9);
  });
  it('has 365 days that end today beside the calendar year, and a plan until today', () => {
    const versions = [
      firstVersion('a', feeding('2026-10-18', ids[1]!, 14), PEN),
      firstVersion('b', feeding('2027-05-03', ids[0]!, 6), PEN),
    ];
    const planned: Case = {
      ...logged(...versions),
      plans: [
        {
          id: 'p',
          year: 2027,
          keptOn: '2027-03-01',
          doses: [
            { zoneId: lawn!.id, date: '2027-05-03', productId: ids[0]!, for: 'N', rateLb: 1.6 },
            { zoneId: lawn!.id, date: '2027-09-06', productId: ids[0]!, for: 'N', rateLb: 1.6 },
          ],
        },
      ],
    };
    const [zone] = ledgerOf(withGiven(planned), 2027, '2027-06-01').zones;
    const per1000 = lawn!.areaSqFt / 1000;
    expect(zone!.year.N).toBeCloseTo((6 * 0.42) / per1000, 9);
    expect(zone!.rolling.N).toBeCloseTo((6 * 0.42 + 14 * 0.21) / per1000, 9);
    expect(zone!.planned?.toDate.N).toBeCloseTo(1.6 * 0.42, 9);
    expect(zone!.planned?.year.N).toBeCloseTo(3.2 * 0.42, 9);
  });
  it('counts lime as CaCO3 by its CCE', () => {
    expect(broughtByAPound({ id: 'l', name: 'Lime', guaranteed: {}, limeKind: 'calcitic', ccePercent: 94 }).lime).toBe(
      0.94,
    );
    expect(broughtByAPound(product(ids[0]!)).lime).toBe(0);
    expect(isRefusal(checkCase(okonedo))).toBe(false);
  });
});

describe('what a dose still holds', () => {
  const form = fc.constantFrom(...NITROGEN_FORMS);
  const soil = fc.array(fc.integer({ min: 20, max: 90 }), { minLength: 1, maxLength: 200 });
  const held = (lb: number, of: NitrogenForm, soilF: readonly number[]) =>
    evaluate(heldNitrogen, { nitrogenLb: lb, form: of, soilF: [...soilF] }) as { releasedLb: number; leftLb: number };
  it('and what it let go are what was given, and colder soil never lets go of more', () => {
    fc.assert(
      fc.property(
        form,
        soil,
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 0, max: 30 }),
        (of, soilF, tenths, colder) => {
          const lb = tenths / 10;
          const warm = held(lb, of, soilF);
          expect(warm.releasedLb + warm.leftLb).toBeCloseTo(lb, 9);
          expect(warm.leftLb).toBeGreaterThanOrEqual(-1e-9);
          const cold = held(
            lb,
            of,
            soilF.map((deg) => deg - colder),
          );
          expect(cold.releasedLb).toBeLessThanOrEqual(warm.releasedLb + 1e-9);
        },
      ),
      { numRuns: 60 },
    );
  });
  it('at the end of a year is what the next year’s need is less by', () => {
    const dose = feeding('2026-10-05', 'coated-urea-42', 6);
    const file = withGiven(logged(firstVersion('late', dose, PEN)));
    const zone = file.zones.find(({ id }) => id === dose.zoneIds[0])!;
    const carried = carryOver(file, zone, 2027);
    const { climate } = file.property;
    const soilF = soilTemperatureByDay(climateYear(climate!, 2026).meanF).slice(dayOfYear('2026-10-05'));
    const product = file.products?.find(({ id }) => id === 'coated-urea-42');
    const lbN = (6 / (zone.areaSqFt / 1000)) * 0.42;
    const { leftLb } = evaluate(heldNitrogen, {
      nitrogenLb: lbN,
      form: 'polymer-coated-urea',
      soilF,
      releaseDays: product!.releaseDays!,
    }) as { leftLb: number };
    // a coating lets go of all it holds by the end of the next year
    expect(carried!.lb).toBeCloseTo(leftLb, 2);
  });
});
