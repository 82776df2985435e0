import { describe, expect, it } from 'vitest';
import { addDays, dayAt } from '../../days/day';
import { pH, ppm, reportOf } from '../../prescription/judgement.fixture';
import { caseOf } from '../any-lawn.fixture';
import { checkZonePlan } from '../checks/check-plan';
import { planSeason } from '../draft/plan-season';
import { withDoses } from '../plan/with-doses';

describe('D2: schools of potash (judgement)', () => {
  const given = caseOf(
    { grass: 'zoysiagrass', texture: 'loam' },
    {
      soilTests: [reportOf('2026-11-20', [pH(6.2), ppm('P', 40), ppm('K', 260)])],
      choices: { year: 2027, potassium: 'fall' },
    },
    'warm-southeast',
  );
  const draft = planSeason(given, 2027);
  const [amount] = draft.zones[0]!.schools!.amounts;
  const standing = (planned: Parameters<typeof withDoses>[2], id: string) => {
    const plan = withDoses(draft, given, planned);
    return checkZonePlan(plan.zones[0]!, given, plan).find((c) => c.id === id)?.standing;
  };
  const day = addDays(dayAt(2027, amount!.from), 3);
  const potash = { zoneId: 'z', date: day, productId: 'sulfate-of-potash-50', for: 'K2O', rateLb: 2 } as const;
  const feed = { zoneId: 'z', date: day, productId: 'urea-46', for: 'N', rateLb: 1.1 } as const;
  it('D2 “with no N” holds for the zone’s day, not for the product', () => {
    expect(amount!.withNitrogen).toBe(false);
    expect(standing([potash], `school-${amount!.id}`)).toBe('pass');
    expect(standing([potash, feed], `school-${amount!.id}`)).toBe('warn');
    expect(standing([potash, { ...feed, date: addDays(day, 1) }], `school-${amount!.id}`)).toBe('pass');
  });
  it('D2 no school puts potash on a high test without a warning', () => {
    expect(draft.zones[0]!.prescription.potassium.level).toBe('high');
    expect(standing([potash], 'potassium-year')).toBe('warn');
  });
});
