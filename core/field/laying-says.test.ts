import { describe, expect, it } from 'vitest';
import type { Case, PlannedDose } from '../records/case';
import { planSeason } from '../season/draft/plan-season';
import { withDoses } from '../season/plan/with-doses';
import { dose, okonedo } from '../season/front-lawn.fixture';
import { jobsOf } from './jobs';
import { layingSays, type LayingAsked } from './laying-says';

const says = (doses: readonly PlannedDose[], over: Partial<LayingAsked> = {}, file: Case = okonedo, at = 0) => {
  const jobs = jobsOf(file, withDoses(planSeason(file, 2027), file, doses), true, '2027-05-03');
  const job = jobs.find(
    ({ dose: { productId, date } }) => productId === doses[at]!.productId && date === doses[at]!.date,
  )!;
  return layingSays({ job, jobs, weighOutLb: job.dose.zoneLb, school: 'two-directions', ...over }).join(' ');
};
const small = (areaSqFt: number): Case => ({ ...okonedo, zones: okonedo.zones.map((zone) => ({ ...zone, areaSqFt })) });
const LIME = {
  id: 'lime',
  name: 'Ground lime',
  form: 'granular' as const,
  limeKind: 'calcitic' as const,
  guaranteed: { CCE: 95, Ca: 36 },
};
const withLime: Case = { ...okonedo, products: [...okonedo.products!, LIME as never] };

describe('what is worth knowing before weighing out', () => {
  it('is nothing where all is usual', () => {
    expect(says([dose('2027-05-03', 'ammonium-sulfate-21', 3.8)])).toBe('');
  });
  it('is the small amount in ounces, under half a pound in grams, and the scale that is too coarse for it', () => {
    // 1.6 lb on 0.15 thousand: 0.24 lb, 3.8 oz, 109 g; 0.1 of 0.24 lb is 42 % (worked by hand)
    expect(says([dose('2027-05-03', 'ammonium-sulfate-21', 1.6)], {}, small(150))).toContain(
      '109 g product, 3.8 oz product. A step of 0.1 lb product is 42 % of it: use a finer scale.',
    );
    expect(says([dose('2027-05-03', 'ammonium-sulfate-21', 3.8)], {}, small(500))).toMatch(
      /^30\.4 oz product\. A step/,
    );
  });
  it('is a share that the gate would not pass, with the way that would', () => {
    expect(says([dose('2027-05-03', 'ammonium-sulfate-21', 3.8)], { leastRateLb: 2 })).toContain('use one direction');
    expect(
      says([dose('2027-05-03', 'ammonium-sulfate-21', 3.8)], { leastRateLb: 1.5, school: 'four-light' }),
    ).toContain('use two directions');
    expect(says([dose('2027-05-03', 'ammonium-sulfate-21', 3.8)], { leastRateLb: 1.9 })).toBe('');
  });
  it('is lime beside ammonium, whichever of them is in hand', () => {
    const both = [dose('2027-05-03', 'ammonium-sulfate-21', 3.8), dose('2027-05-03', 'lime', 20, 'lime')];
    expect(says(both, {}, withLime)).toContain('Not on one day with Ground lime');
    expect(says(both, {}, withLime, 1)).toContain('Not on one day with Ammonium sulfate');
  });
  it('is more than two products on one zone, and the spray that comes after the granules', () => {
    const liquid = {
      ...okonedo.products!.find(({ id }) => id === 'coated-urea-42')!,
      id: 'brew',
      name: 'Brew',
      form: 'liquid' as const,
      lbPerGal: 10,
    };
    const file: Case = { ...withLime, products: [...withLime.products!, liquid] };
    const three = [
      dose('2027-05-03', 'coated-urea-42', 1.6),
      dose('2027-05-03', 'lime', 20, 'lime'),
      dose('2027-05-03', 'brew', 0.5),
    ];
    expect(says(three, {}, file)).toMatch(/3 products wait on .*Before Brew: granules first/);
  });
});
