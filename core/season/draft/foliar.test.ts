import loadHighs from 'highs';
import { describe, expect, it } from 'vitest';
import { daysBetween } from '../../days/day';
import { FOLIAR_NOT_ABOVE_F, foliarPurposeOf, foliarSpray } from '../../foliar/foliar-feeds';
import { purposeOf } from '../../products/purpose';
import { pH, reportOf } from '../../prescription/judgement.fixture';
import { evaluate } from '../../reckoning/define';
import type { Case, Zone } from '../../records/case';
import { caseOf, draftOf, only, product, standing } from '../any-lawn.fixture';
import { checkZonePlan } from '../checks/check-plan';
import { addDose } from '../edit/edit-plan';
import { sprayWords } from '../plan/spray-words';
import { withDoses } from '../plan/with-doses';
import { planBest } from '../planner/plan-best';
import { planSeason } from './plan-season';

const iron = (ppm: number) => ({ analyte: 'Fe', value: ppm, unit: 'ppm', method: 'dtpa' }) as const;
const short = (zone: Partial<Zone> = {}, more: Partial<Case> = {}, climate = 'transition'): Case =>
  caseOf(zone, { soilTests: [reportOf('2026-11-20', [pH(7.4), iron(1.5)])], ...more }, climate);
const sprays = (given: Case) => draftOf(given).doses.filter((d) => d.for === 'iron' || d.for === 'manganese');
describe('D5: iron, manganese and other foliar feeds are doses (judgement)', () => {
  it('D5 iron that reads short is sprayed: product, ounces, water, dates, repeats and cautions', () => {
    const given = short();
    const season = draftOf(given);
    expect(season.prescription.foliar[0]).toMatchObject({ purpose: 'iron', sprays: 3, byRule: 3 });
    expect(season.prescription.foliar[0]!.says).toMatch(
      /0.40 oz Fe per 1000 ft2 a spray, at most 0.75 oz Fe, in 3 gal/,
    );
    const doses = sprays(given);
    expect(doses).toHaveLength(3);
    for (const [i, dose] of doses.entries()) {
      expect((dose.delivers.Fe ?? 0) * 16).toBeCloseTo(0.4, 9);
      expect(dose.why).toMatch(
        /oz product per 1000 in 3 gal of water per 1000 or more; .* here.*Not above 85 deg F.*stains/,
      );
      const before = doses[i - 1];
      if (before) expect(daysBetween(before.date, dose.date)).toBeGreaterThanOrEqual(28);
    }
    const { weather } = planSeason(given, 2027);
    for (const { date } of doses)
      expect(weather!.highF[daysBetween('2027-01-01', date)]).toBeLessThanOrEqual(FOLIAR_NOT_ABOVE_F);
    expect(standing(given, 'foliar-dose')).toBe('pass');
    expect(standing(given, 'foliar-heat')).toBeUndefined();
  });
  it('D5 high pH alone is watched, and an override plans as many sprays as are asked, of manganese too', () => {
    const alkaline = caseOf({}, { soilTests: [reportOf('2026-11-20', [pH(7.6)])] });
    expect(draftOf(alkaline).prescription.foliar[0]).toMatchObject({ sprays: 0 });
    expect(draftOf(alkaline).prescription.foliar[0]!.says).toMatch(/Watched/);
    expect(sprays(alkaline)).toEqual([]);
    expect(draftOf(caseOf({})).prescription.foliar).toEqual([]);
    const asked = short({
      own: [
        { line: 'iron-sprays', value: 1, reason: 'open house in May', on: '2026-11-22' },
        { line: 'manganese-sprays', value: 2, reason: 'tissue test', on: '2026-11-22' },
      ],
    });
    asked.products = [
      ...asked.products!,
      { id: 'mn', name: 'Manganese sulfate, soluble', form: 'granular', guaranteed: { Mn: 31, 'S-combined': 18 } },
    ];
    expect(
      sprays(asked)
        .map((d) => d.for)
        .sort(),
    ).toEqual(['iron', 'manganese', 'manganese']);
    expect(sprays(asked).find((d) => d.for === 'manganese')!.why).not.toMatch(/stains/);
    const none = short({}, only('urea-46'));
    expect(
      draftOf(none)
        .unplaced.map(({ says }) => says)
        .join(),
    ).toMatch(/is a spray of iron for the 3 asked/);
  });
  it('D5 where nitrogen is closed a visit without it can be planned: iron and potash', () => {
    const closed = [
      { id: 'c', name: 'Shore code', closed: [{ from: '01-01', to: '12-31', nutrients: ['N' as const] }] },
    ];
    const given = short({}, { codes: closed });
    const doses = draftOf(given).doses;
    expect(doses.filter((d) => (d.delivers.N ?? 0) > 0)).toEqual([]);
    expect(sprays(given)).toHaveLength(3);
    expect(standing(given, 'closed-dates')).toBe('pass');
    // a spray with nitrogen in it stays off the closed days
    expect(sprays(short({}, { codes: closed, ...only('liquid-iron-6') }))).toEqual([]);
    const poor = short(
      {},
      {
        codes: closed,
        soilTests: [reportOf('2026-11-20', [pH(6.4), { analyte: 'K', value: 20, unit: 'ppm', method: 'mehlich-3' }])],
      },
    );
    expect(draftOf(poor).doses.some((d) => (d.delivers.K2O ?? 0) > 0)).toBe(true);
  });
  it('D5 a spray is no feeding: it stands beside one, and the search keeps it', async () => {
    const given = short({}, only('urea-46', 'coated-urea-42', 'liquid-iron-6'));
    const draft = planSeason(given, 2027);
    expect(sprays(given)).toHaveLength(3);
    const best = planBest(await loadHighs(), given, draft, {}, { gap: 0.05, seconds: 300 });
    const plan = withDoses(draft, given, best.doses);
    expect(plan.zones[0]!.doses.filter((d) => d.for === 'iron').map((d) => d.date)).toEqual(
      sprays(given).map((d) => d.date),
    );
    expect(
      checkZonePlan(plan.zones[0]!, given, plan)
        .filter((c) => c.standing === 'fail')
        .map((c) => c.id),
    ).toEqual([]);
  });
  it('D5 the checks find a spray too strong, and one in the heat', () => {
    const given = short();
    const dose = (date: string, rateLb: number) =>
      ({ zoneId: 'z', date, productId: 'iron-chelate-10', for: 'iron', rateLb }) as const;
    expect(standing(given, 'foliar-dose', [dose('2027-05-10', 0.25)])).toBe('pass');
    expect(standing(given, 'foliar-dose', [dose('2027-05-10', 0.6)])).toBe('fail');
    expect(standing(given, 'foliar-heat', [dose('2027-07-19', 0.25)])).toBe('warn');
    // no spreader lays it, so no least rate of one binds it
    expect(standing(given, 'smallest-rate', [dose('2027-05-10', 0.25)])).toBe('pass');
  });
  it('D5 a product is a spray by what outweighs in it; oz by weight, fl oz of a liquid', () => {
    const purposes = [
      'ferrous-sulfate-20',
      'iron-chelate-10',
      'liquid-iron-6',
      'biosolid-5-3-0',
      'acidifier-30',
      'urea-46',
    ];
    expect(purposes.map((id) => foliarPurposeOf(product(id)))).toEqual([
      'iron',
      'iron',
      'iron',
      undefined,
      undefined,
      undefined,
    ]);
    expect(purposeOf(product('ferrous-sulfate-20'), false)).toBe('iron');
    // 0.4 oz Fe from 6 % are 6.67 oz by weight; at 10.8 lb/gal 4.94 fl oz (value by hand)
    const liquid = evaluate(foliarSpray, { elementOz: 0.4, percent: 6, areaSqFt: 2500, lbPerGal: 10.8 });
    expect(liquid).toMatchObject({ waterGal: 7.5 });
    expect((liquid as { ozPer1000: number }).ozPer1000).toBeCloseTo(4.938, 3);
    expect(sprayWords(product('iron-chelate-10'), 0.25, { areaSqFt: 5000 })).toMatch(
      /^4 oz product per 1000 .* 20 oz in 15 gal here/,
    );
    const added = addDose([], {
      zoneId: 'z',
      date: '2027-05-12',
      product: product('iron-chelate-10'),
      rateLb: 0.25,
      phosphorusWanted: false,
    });
    expect(added).toMatchObject([{ for: 'iron', date: '2027-05-10' }]);
  });
});
