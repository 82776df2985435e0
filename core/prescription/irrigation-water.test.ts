import { describe, expect, it } from 'vitest';
import { caseOf, only } from '../season/any-lawn.fixture';
import { planSeason } from '../season/draft/plan-season';
import type { Property } from '../records/case';
import { cec, pH, ppm, prescribe, lawn, reportOf } from './judgement.fixture';

type Water = NonNullable<Property['irrigationWater']>;
const under = (irrigationWater: Water, zone: Parameters<typeof lawn>[0] = {}, results = [pH(6.5)]) =>
  prescribe(lawn(zone), [reportOf('2026-11-20', results)], { irrigationWater });
const findingOf = (prescription: ReturnType<typeof under>, of: string) =>
  prescription.water?.findings.find((each) => each.of === of);

describe('A13: irrigation water feeds the prescription (judgement)', () => {
  it('A13 nitrate is a line of the year’s nitrogen', () => {
    const given = caseOf({});
    given.property.irrigationWater = { no3nMgPerL: 10, inPerYear: 12 };
    const { nitrogen, water } = planSeason(given, 2027).zones[0]!.prescription;
    // 1 mg/L in 12 in is 0.0624 lb (Ayers & Westcot, FAO 29, from memory)
    expect(nitrogen.steps.find((step) => step.id === 'water')!.lb).toBeCloseTo(-0.624, 3);
    expect(water!.findings[0]).toMatchObject({ of: 'nitrate', standing: 'ordinary' });
  });
  it('A13 salty water brings the low-salt rule, grass by grass, whatever the soil reads', () => {
    // 1.5 x 1.6 = 2.4 in the paste: over 2 of centipede, under 3 of bluegrass
    const centipede = under({ ecw: 1.6 }, { grass: 'centipedegrass' }, [pH(5.5)]);
    expect(centipede.salinity.standing).toBe('saline');
    expect(findingOf(centipede, 'salinity')).toMatchObject({ standing: 'harmful' });
    expect(findingOf(centipede, 'salinity')!.figure!.value).toBeCloseTo(2.4, 9);
    // ECw / (5 ECe - ECw) = 1.6 / 8.4
    expect(findingOf(centipede, 'salinity')!.says).toMatch(/19 % must drain/);
    const bluegrass = under({ ecw: 1.6 }, { grass: 'kentucky-bluegrass' });
    expect(bluegrass.salinity.standing).not.toBe('saline');
    const soilToo = under({ ecw: 4 }, {}, [
      pH(6.5),
      { analyte: 'EC', value: 0.5, unit: 'dS/m', method: 'saturated-paste' },
    ]);
    expect(soilToo.salinity.standing).toBe('saline');
    expect(soilToo.salinity.says).toMatch(/Water of 4 dS\/m/);
    // and the shelf keeps chloride off it
    const given = caseOf(
      {},
      { ...only('muriate-of-potash-60', 'urea-46'), soilTests: [reportOf('2026-11-20', [pH(6.5), ppm('K', 20)])] },
    );
    given.property.irrigationWater = { ecw: 4.5 };
    expect(planSeason(given, 2027).zones[0]!.doses.some((d) => d.productId === 'muriate-of-potash-60')).toBe(false);
  });
  it('A13 SAR over 9 puts a sodic figure in doubt', () => {
    const sodic = under({ sar: 11 }, {}, [pH(8.2), cec(14), { analyte: 'ESP', value: 17, unit: '%' }]);
    expect(sodic.cautions.join()).toMatch(/SAR is 11, over 9: sodium keeps coming. The sodium of the report/);
    expect(under({ sar: 11 }).cautions.join()).toMatch(/Ask the laboratory for sodium/);
    expect(under({ sar: 8 }).cautions.join()).not.toMatch(/SAR/);
  });
  it('A13 bicarbonate is lime, and the reason why pH will not stay down', () => {
    // 1 meq/L in 12 in is 3.12 lb CaCO3; 4 meq/L in 24 in 25.0
    const water = { hco3MeqPerL: 4, inPerYear: 24 };
    const alkaline = under(water, { grass: 'centipedegrass' }, [pH(7.0)]);
    expect(findingOf(alkaline, 'bicarbonate')!.figure!.value).toBeCloseTo(3.12 * 8, 1);
    expect(alkaline.ph.says).toMatch(/25 lb CaCO3 per 1000 ft2 a year, which undoes 8 lb S: the pH will not stay down/);
    expect(under(water, {}, [pH(5.2)]).ph.says).not.toMatch(/stay down/);
    expect(under({ hco3MeqPerL: 0.5, inPerYear: 6 }, { grass: 'centipedegrass' }, [pH(7.0)]).ph.says).not.toMatch(
      /stay down/,
    );
  });
  it('A13 chloride and boron are said; without irrigation no water counts', () => {
    const both = under({ clMgPerL: 500, bMgPerL: 3.5 }, { grass: 'centipedegrass' }, [pH(5.5)]);
    expect(findingOf(both, 'chloride')!.says).toMatch(/minds it; no muriate/);
    expect(findingOf(both, 'boron')).toMatchObject({ standing: 'harmful' });
    const dry = under({ ecw: 9, sar: 30, hco3MeqPerL: 9, inPerYear: 24 }, { irrigated: false });
    expect(dry.water).toBeUndefined();
    expect(dry.salinity.standing).not.toBe('saline');
  });
});
