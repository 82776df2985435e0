import { describe, expect, it } from 'vitest';
import { goLines, verdictOf } from '@core/field/go';
import { jobsOf } from '@core/field/jobs';
import type { Case } from '@core/records/case';
import { planSeason } from '@core/season/draft/plan-season';
import { withDoses } from '@core/season/plan/with-doses';
import { GOOD, okonedo } from '@core/season/front-lawn.fixture';
import { Units, US_UNITS, usUnits } from '../../ui/format';
import { goFactsOf } from '@core/field/day-facts';
import { USUAL_GEAR } from '@core/field/walk';
import { lineSays, NO_DAY, weatherFrom } from './day-words';
import { gearFrom } from './gear';

const TODAY = '2027-05-03';
const factsOf = (file: Case, numbers: Record<string, string> = {}, operator?: Parameters<typeof goFactsOf>[5]) => {
  const job = jobsOf(file, withDoses(planSeason(file, 2027), file, GOOD), true, TODAY).find(
    ({ dose }) => dose.date === TODAY,
  );
  if (!job) throw new Error('no job');
  const { weather } = weatherFrom({ numbers }, usUnits);
  return goFactsOf(
    job,
    file,
    undefined,
    { ...NO_DAY, ground: 'firm', turf: 'growing', leaf: 'dry' },
    weather,
    operator,
    TODAY,
  );
};
const WEATHER = { windMph: '6', gustMph: '9', rainNext24In: '0.1', rainLast24In: '0', highF: '68', lowestLowF: '40' };

describe('what is known of the hour', () => {
  it('reads the weather in the units that are chosen, and says what cannot be', () => {
    const si = new Units({ ...US_UNITS, system: 'si' });
    expect(weatherFrom({ numbers: { highF: '20' } }, si).weather.highF).toBeCloseTo(68, 9);
    expect(weatherFrom({ numbers: { windMph: 'gale' } }, usUnits).faults.windMph).toBeTruthy();
    expect(weatherFrom({ numbers: { windMph: '-3' } }, usUnits).weather.windMph).toBeUndefined();
    const { weather, faults } = weatherFrom({ numbers: { highF: '50', lowestLowF: '60' } }, usUnits);
    expect(faults.lowestLowF).toMatch(/above the high/);
    expect(weather.lowestLowF).toBeUndefined();
  });

  it('asks as long as a line is not known, and goes once all are', () => {
    expect(verdictOf(goLines(factsOf(okonedo)))).toBe('ask');
    expect(verdictOf(goLines(factsOf(okonedo, WEATHER)))).toBe('go');
    expect(verdictOf(goLines(factsOf(okonedo, { ...WEATHER, windMph: '14' })))).toBe('wait');
  });

  it('takes nitrogen of the log, lime beside urea, and the code of the place', () => {
    const applied = (productId: string, date: string): Case => ({
      ...okonedo,
      zones: okonedo.zones.map((zone) => ({ ...zone, applied: [{ date, productId, zoneLb: 5 }] })),
    });
    expect(factsOf(applied('ammonium-sulfate-21', '2027-04-20'), WEATHER).daysSinceN).toBe(13);
    expect(verdictOf(goLines(factsOf(applied('ammonium-sulfate-21', '2027-04-20'), WEATHER)))).toBe('wait');
    const closed: Case = {
      ...okonedo,
      codes: [{ id: 'here', closed: [{ from: '04-15', to: '05-15', nutrients: ['N'] }] }],
    };
    expect(verdictOf(goLines(factsOf(closed, WEATHER)))).toBe('never');
    const licensed: Case = { ...okonedo, codes: [{ id: 'here', licenseNeeded: true }] };
    const person = { id: 'ra', name: 'R. Amadi', licenseNumber: 'A-1' };
    expect(verdictOf(goLines(factsOf(licensed, WEATHER)))).toBe('never');
    expect(verdictOf(goLines(factsOf(licensed, WEATHER, person)))).toBe('go');
    expect(verdictOf(goLines(factsOf(licensed, WEATHER, { ...person, expiresOn: '2027-01-01' })))).toBe('never');
  });

  it('says each line with its limit in the units of the reader', () => {
    const wind = { id: 'wind' as const, standing: 'wait' as const, value: 12, limit: 10 };
    expect(lineSays(wind, usUnits)).toBe('12.0 mph, limit 10.0 mph');
    expect(lineSays({ ...wind, value: undefined }, usUnits)).toBe('not known, limit 10.0 mph');
    expect(lineSays({ id: 'turf', standing: 'wait', value: 'newly-sown' }, usUnits)).toBe('newly sown');
  });
});

describe('the gear that was kept', () => {
  it('is as it usually is where the note is none, broken or out of bounds', () => {
    expect(gearFrom(undefined)).toBe(USUAL_GEAR);
    expect(gearFrom('{')).toBe(USUAL_GEAR);
    expect(gearFrom(JSON.stringify({ swathFt: -2, school: 'spiral', hopperLb: 1e9, speedMph: 99 }))).toEqual(
      USUAL_GEAR,
    );
    expect(gearFrom(JSON.stringify({ ...USUAL_GEAR, swathFt: 9, hopperLb: 40, spreaderId: 'small' }))).toEqual({
      ...USUAL_GEAR,
      swathFt: 9,
      hopperLb: 40,
      spreaderId: 'small',
    });
  });
});
