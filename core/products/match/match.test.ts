import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Product, SoilTest, Zone } from '../../records/case';
import { STARTER_SHELF } from '../../packs/starter-shelf';
import { alternativeValue, type Figure, workingOf } from '../../reckoning/figure';
import { evaluate, explain } from '../../reckoning/define';
import { isRefusal } from '../../reckoning/refusal';
import { acidifyingSources, saltCarriers } from '../carriers';
import { limeUndone } from '../lime-undone';
import { packageLb } from '../package-lb';
import { unitPrice, weighOutCost } from '../price';
import { productSalt } from '../salt';
import { ACID_REPORT, contextOn } from './acid-lawn.fixture';
import { blendOfThree, blendOfTwo } from './blend';
import { type MatchAnswer, matchShelf, MET_WITHIN_LB } from './match';
import { partFigures } from './match-figures';
import type { MatchContext, Need } from './need';
import { tripsOf } from '../../season/plan/trips';

const zone = (over: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'Lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  ...over,
});
const report = (results: SoilTest['results']): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-17',
  depthIn: 4,
  results,
});
const acid = ACID_REPORT;
const contextOf = contextOn;
const shelf = (...ids: string[]): Product[] => STARTER_SHELF.filter((p) => ids.includes(p.id));
const names = (answer: MatchAnswer | undefined) => answer?.parts.map((part) => part.product.id).join(' + ');
const refusalOf = (products: readonly Product[], need: Need, context: MatchContext, id: string) =>
  matchShelf(products, need, context).refused.find((r) => r.product.id === id)?.says;

describe('salt and acidity of a bag', () => {
  it('takes the salts from the forms: muriate from chloride, ammonium sulfate from combined S, nothing from a coating', () => {
    const of = (id: string) => saltCarriers(shelf(id)[0] as Product);
    expect(of('muriate-of-potash-60')['potassium chloride K2O']).toBeCloseTo(60, 0);
    expect(of('sulfate-of-potash-50')).toMatchObject({ 'potassium sulfate K2O': expect.closeTo(47.3, 1) as number });
    expect(of('coated-urea-42')).toEqual({});
    expect(of('ammonium-sulfate-21')).toEqual({ 'ammonium sulfate N': 21 });
    expect(of('map-11-52')).toEqual({ 'MAP N': 11 });
    expect(acidifyingSources(shelf('coated-urea-42')[0] as Product)).toEqual({ urea: 42 });
    expect(acidifyingSources(shelf('calcium-nitrate-15')[0] as Product)).toMatchObject({
      'calcium-nitrate': 13.5,
      'ammonium-nitrate': 2,
    });
  });
  it('splits equal ammonium and nitrate into ammonium nitrate, and potassium nitrate from its potash', () => {
    const nitrate: Product = { id: 'n', name: 'n', guaranteed: { N: 34 }, nitrogen: { ammoniacal: 17, nitrate: 17 } };
    expect(saltCarriers(nitrate)).toEqual({ 'ammonium nitrate N': 34 });
    const saltpetre: Product = { id: 'k', name: 'k', guaranteed: { N: 13, K2O: 46 }, nitrogen: { nitrate: 13 } };
    expect(acidifyingSources(saltpetre)).toEqual({ 'potassium-nitrate': 13 });
  });
  it('gives urea 75 and muriate 116 at their usual grade (Rader 1943; value from memory)', () => {
    expect(evaluate(productSalt, { rateLb: 1, carrierPercents: { 'urea N': 46.6 } })).toMatchObject({ index: 75 });
    expect(evaluate(productSalt, { rateLb: 10, carrierPercents: { 'potassium chloride K2O': 60 } })).toMatchObject({
      saltLb: 11.6,
    });
    expect(explain(productSalt, { rateLb: 1, carrierPercents: { ash: 3 } })).toMatchObject({
      field: 'carrierPercents',
    });
  });
  it('undoes 5.35 lb lime a lb of ammonium sulfate N and gives lime back for calcium nitrate (Pierre 1933; value from memory)', () => {
    expect(evaluate(limeUndone, { rateLb: 1 / 0.21, nitrogenPercents: { 'ammonium-sulfate': 21 } })).toBeCloseTo(
      5.35,
      9,
    );
    expect(evaluate(limeUndone, { rateLb: 10, nitrogenPercents: { 'calcium-nitrate': 10 } })).toBeCloseTo(-1.35, 9);
    expect(explain(limeUndone, { rateLb: 1, nitrogenPercents: { magic: 3 } })).toMatchObject({
      field: 'nitrogenPercents',
    });
  });
});

describe('prices', () => {
  it('prices a pound of N from a bag (common practice: price over bag weight times N)', () => {
    expect(evaluate(unitPrice, { packagePrice: 27.6, packageLb: 50, percent: 46 })).toBeCloseTo(1.2, 9);
    expect(evaluate(weighOutCost, { weighedLb: 20.3, packageLb: 50, packagePrice: 30 })).toBeCloseTo(12.18, 9);
  });
});

describe('blends', () => {
  it('meets two needs exactly: 0.75 N and 0.65 K2O from 46-0-0 and 0-0-50 are 1.63 and 1.30 lb (hand reckoning)', () => {
    const given = { need1Lb: 0.75, need2Lb: 0.65, a1Percent: 46, a2Percent: 0, b1Percent: 0, b2Percent: 50 };
    expect(evaluate(blendOfTwo, given)).toEqual({
      aLb: expect.closeTo(1.6304, 4) as number,
      bLb: expect.closeTo(1.3, 9) as number,
    });
  });
  it('refuses parallel bags and takings-away', () => {
    expect(
      explain(blendOfTwo, { need1Lb: 1, need2Lb: 1, a1Percent: 20, a2Percent: 10, b1Percent: 10, b2Percent: 5 }),
    ).toMatchObject({ field: 'b1Percent' });
    expect(
      explain(blendOfTwo, { need1Lb: 1, need2Lb: 0.1, a1Percent: 15, a2Percent: 15, b1Percent: 0, b2Percent: 50 }),
    ).toMatchObject({ field: 'need2Lb' });
  });
  it('three products for three needs bring back exactly what was asked', () => {
    const p = fc.double({ min: 0, max: 60, noNaN: true });
    const n = fc.double({ min: 0.05, max: 2, noNaN: true });
    fc.assert(
      fc.property(fc.tuple(n, n, n), fc.array(p, { minLength: 9, maxLength: 9 }), ([need1Lb, need2Lb, need3Lb], m) => {
        const [a1Percent, a2Percent, a3Percent, b1Percent, b2Percent, b3Percent, c1Percent, c2Percent, c3Percent] =
          m as [number, number, number, number, number, number, number, number, number];
        const answer = explain(blendOfThree, {
          need1Lb,
          need2Lb,
          need3Lb,
          a1Percent,
          a2Percent,
          a3Percent,
          b1Percent,
          b2Percent,
          b3Percent,
          c1Percent,
          c2Percent,
          c3Percent,
        });
        if (isRefusal(answer)) return;
        const { aLb, bLb, cLb } = answer.value;
        const scale = 1e-6 * (1 + aLb + bLb + cLb);
        expect(Math.abs((aLb * a1Percent + bLb * b1Percent + cLb * c1Percent) / 100 - need1Lb)).toBeLessThan(scale);
        expect(Math.abs((aLb * a2Percent + bLb * b2Percent + cLb * c2Percent) / 100 - need2Lb)).toBeLessThan(scale);
        expect(Math.abs((aLb * a3Percent + bLb * b3Percent + cLb * c3Percent) / 100 - need3Lb)).toBeLessThan(scale);
      }),
    );
  });
});

describe('the shelf matched to a need', () => {
  const need: Need = { N: 0.75, K2O: 0.65 };
  const context = contextOf(zone(), acid, { phosphorusSays: '71 ppm', soilPh: 5.6 });

  it('puts the bag that meets both needs first when it is on hand, and says what a lone urea lacks', () => {
    const products = shelf('sulfate-grade-16-0-14', 'urea-46', 'sulfate-of-potash-50').map((p) => ({
      ...p,
      onHandLb: 50,
    }));
    const { answers } = matchShelf(products, need, context);
    expect(names(answers[0])).toBe('sulfate-grade-16-0-14');
    expect(answers[0]).toMatchObject({ met: true, against: [], needsBuying: false });
    // 0.75 lb N / 0.16 over 6,480 sq ft, and 0.656 lb K2O with it
    expect(answers[0]?.parts[0]?.rateLb).toBeCloseTo(4.6875, 9);
    expect(answers[0]?.parts[0]?.weighOutLb).toBeCloseTo(30.4, 9);
    expect(answers[0]?.parts[0]?.leftLb).toBeCloseTo(19.6, 9);
    const urea = answers.find((a) => names(a) === 'urea-46');
    expect(urea?.against).toContain('K2O short by 100 %');
    const both = answers.find((a) => names(a) === 'urea-46 + sulfate-of-potash-50');
    expect(both?.parts.map((part) => part.rateLb)).toEqual([expect.closeTo(1.6304, 4), expect.closeTo(1.3, 9)]);
    expect(both?.against).toContain('speckles');
  });
  it('counts stock first: bags are bought only for what is short, and the left over is of the scale', () => {
    const [urea] = shelf('urea-46').map((p) => ({ ...p, onHandLb: 7.3 }));
    const [answer] = matchShelf([urea as Product], { N: 0.75 }, context).answers;
    const [part] = answer?.parts ?? [];
    expect(part).toMatchObject({ weighOutLb: 10.6, fromHandLb: 7.3, packages: 1 });
    expect(part?.leftLb).toBeCloseTo(7.3 + 50 - 10.6, 9);
    expect(answer?.against).toContain('must be bought');
    expect(answer?.cost).toBeCloseTo((10.6 / 50) * 31, 9);
    expect(answer?.cash).toBe(31);
  });
  it('refuses with the number that decides', () => {
    const all = [
      ...STARTER_SHELF,
      { ...(shelf('urea-46')[0] as Product), id: 'half', nitrogen: { urea: 44 }, unfinished: true },
    ];
    const says = (id: string) => refusalOf(all, need, context, id);
    expect(says('complete-20-5-10')).toBe(
      'Brings 0.19 lb P2O5 per 1000. Phosphorus tests high, 71 ppm: none this year.',
    );
    expect(says('weed-and-feed-25-0-8')).toContain('pesticide');
    expect(says('half')).toBe('Its label is not finished: the nitrogen forms are 2 % short.');
    // 0.75 lb N, half and more of it slow: 0.5 lb N in a spray at most (common practice)
    expect(says('liquid-slow-25')).toMatch(/gal per 1000 sq ft at once, or 2 sprays of 0\.3[78] lb N/);
    const { beside, refused } = matchShelf(all, need, context);
    expect(beside.map((p) => p.id)).toEqual(
      expect.arrayContaining(['calcitic-lime', 'gypsum', 'sulfur-prills-90', 'acidifier-30']),
    );
    expect(refused.map((r) => r.product.id)).not.toContain('gypsum');
  });
  it('never muriate on centipedegrass, never free sulfur where pH is not to fall, never over a ceiling on sand', () => {
    const sand = contextOf(zone({ grass: 'centipedegrass', texture: 'sand' }), acid);
    expect(refusalOf(STARTER_SHELF, { K2O: 0.4 }, sand, 'muriate-of-potash-60')).toContain('Chloride 46 %');
    expect(refusalOf(STARTER_SHELF, { N: 0.6 }, sand, 'urea-46')).toBe(
      'Brings 0.60 lb soluble N in one dose, over 0.50 lb soluble N (sand turf, common practice).',
    );
    const acidFeed: Product = {
      id: 'sn',
      name: 'Sour feed',
      guaranteed: { N: 20, 'S-free': 10 },
      nitrogen: { urea: 20 },
    };
    expect(refusalOf([acidFeed], { N: 0.5 }, { ...context, soilPh: 5.6 }, 'sn')).toBe(
      'Brings 0.25 lb free S per 1000, which pushes pH down, and pH is 5.6.',
    );
  });
  it('C4 on soil that its report shows to be weak a loam is held like sand', () => {
    const on = (more: Partial<MatchContext['zone']>) =>
      refusalOf(STARTER_SHELF, { N: 0.6 }, { ...context, zone: { ...context.zone, ...more } }, 'urea-46');
    expect(on({})).toBeUndefined();
    expect(on({ weak: true })).toContain('over 0.50');
  });
  it('matches lime by what neutralises, refuses burnt lime and too much hydrated', () => {
    const limes = [
      ...shelf('calcitic-lime', 'dolomitic-lime', 'hydrated-lime'),
      { id: 'burnt', name: 'Burnt lime', guaranteed: {}, limeKind: 'burnt', ccePercent: 170 } as Product,
    ];
    const { answers, refused } = matchShelf(limes, { lime: 13.9 }, context);
    expect(answers.map(names)).toEqual(['calcitic-lime', 'dolomitic-lime']);
    expect(answers[0]?.parts[0]?.rateLb).toBeCloseTo((13.9 / 88) * 100, 9);
    expect(refused.map((r) => r.says)).toEqual([
      expect.stringContaining('5 lb lime is the most'),
      expect.stringContaining('Burnt lime burns'),
    ]);
    expect(
      names(
        matchShelf(limes, { lime: 4 }, context).answers.find((a) => a.against.some((s) => s.startsWith('caustic'))),
      ),
    ).toBe('hydrated-lime');
  });
  it('free sulfur only where sulfur is asked for, never from sulfate', () => {
    const { answers, beside } = matchShelf(STARTER_SHELF, { sulfur: 4 }, context);
    expect(answers.map(names).sort()).toEqual(['acidifier-30', 'sulfur-prills-90']);
    expect(beside.map((p) => p.id)).toContain('ammonium-sulfate-21');
  });
  it('says what a hot or salty or cold place makes worse', () => {
    const salty = { ...context, salty: true };
    const ammonium = matchShelf(shelf('ammonium-sulfate-21'), { N: 0.75 }, salty).answers[0];
    expect(ammonium?.against).toEqual(
      expect.arrayContaining(['salt, on a salty soil', expect.stringMatching(/^undoes 39 % of the lime$/) as string]),
    );
    const cold = matchShelf(shelf('methylene-urea-40'), { N: 0.75 }, { ...context, meanF: 42 }).answers[0];
    expect(cold?.against).toContain('too cold for its microbes');
  });
  it('nothing asked, nothing matched', () => {
    expect(matchShelf(STARTER_SHELF, {}, context)).toMatchObject({ answers: [], refused: [] });
  });

  it('three needs are met by blends of three where the test asks for phosphorus', () => {
    const poor = report([
      { analyte: 'P', value: 8, unit: 'ppm', method: 'mehlich-3' },
      { analyte: 'K', value: 20, unit: 'ppm', method: 'mehlich-3' },
    ]);
    const { answers } = matchShelf(STARTER_SHELF, { N: 0.7, P2O5: 0.6, K2O: 0.5 }, contextOf(zone(), poor));
    const three = answers.filter((answer) => answer.parts.length === 3);
    expect(three.length).toBeGreaterThan(0);
    for (const answer of three) expect(answer.met, names(answer)).toBe(true);
  });

  it('for any need: the printed rates bring what is said, stay under every ceiling, and the best answer is no worse than the rest', () => {
    const lb = fc.double({ min: 0, max: 0.9, noNaN: true });
    const stock = fc.double({ min: 0, max: 80, noNaN: true });
    fc.assert(
      fc.property(
        lb,
        lb,
        stock,
        fc.constantFrom('silt-loam' as const, 'sand' as const),
        (N, K2O, onHandLb, texture) => {
          fc.pre(N + K2O > 0.05);
          const here = contextOf(zone({ texture }), acid);
          const asks: Need = { N, K2O };
          const products = STARTER_SHELF.map((p, i) => (i % 3 === 0 ? { ...p, onHandLb } : p));
          const { answers } = matchShelf(products, asks, here);
          const rank = (a: MatchAnswer) => [a.met ? 0 : 1, a.against.length] as const;
          for (const [at, answer] of answers.entries()) {
            const brought = answer.parts.reduce(
              (sum, part) => sum + (part.rateLb * (part.product.guaranteed.N ?? 0)) / 100,
              0,
            );
            expect(brought).toBeCloseTo(answer.brings.N ?? 0, 9);
            expect(answer.brings.P2O5 ?? 0).toBeLessThan(0.01);
            expect(answer.brings.K2O ?? 0).toBeLessThanOrEqual((texture === 'sand' ? 0.5 : 1) + 1e-6);
            if (answer.met)
              for (const off of Object.values(answer.off)) expect(Math.abs(off)).toBeLessThanOrEqual(MET_WITHIN_LB);
            for (const part of answer.parts) {
              expect(part.fromHandLb).toBeLessThanOrEqual(part.weighOutLb);
              expect(part.leftLb).toBeGreaterThanOrEqual(-1e-9);
              const bought = part.packages * (packageLb(part.product) ?? 0);
              expect(bought + (part.product.onHandLb ?? 0) - part.weighOutLb).toBeCloseTo(part.leftLb, 6);
            }
            const before = answers[at - 1];
            if (before) expect([rank(before), rank(answer)].sort()[0]).toEqual(rank(before));
          }
        },
      ),
      { numRuns: 40 },
    );
  });

  it('every figure of an answer is reckoned from its own printed terms', () => {
    const arithmetic = (line: string) => {
      const code = line
        .replaceAll('×', '*')
        .replaceAll('÷', '/')
        .replaceAll('−', '-')
        .replaceAll('^', '**')
        .replace(/\b(max|min)\b/g, 'Math.$1');
      return /^[-+*/().,\d\seE]*$/.test(code.replace(/Math\.(max|min)/g, ''))
        ? (new Function(`return ${code}`)() as number)
        : undefined;
    };
    const { answers } = matchShelf(STARTER_SHELF, need, context);
    let checked = 0;
    for (const answer of answers.slice(0, 12))
      for (const at of answer.parts.keys()) {
        const figures = partFigures(answer, at, need, context.zone);
        expect(figures.rate.value).toBeCloseTo(answer.parts[at]?.rateLb as number, 9);
        for (const figure of [
          figures.rate,
          figures.weighOut,
          figures.cost,
          figures.granules,
          figures.salt,
          figures.undone,
          figures.delivers('N'),
        ] as (Figure | undefined)[]) {
          if (!figure) continue;
          const working = workingOf(figure);
          if (isRefusal(working)) throw new Error(working.refused);
          for (const step of working.working) {
            const found = arithmetic(step.substituted);
            if (found === undefined || typeof step.value !== 'number') continue;
            checked++;
            expect(Math.abs(found - step.value), `${figure.title}: ${step.substituted}`).toBeLessThanOrEqual(
              1e-9 * Math.max(1, Math.abs(step.value)),
            );
          }
        }
      }
    expect(checked).toBeGreaterThan(100);
    const [best] = answers;
    if (best)
      expect(
        alternativeValue(partFigures(best, 0, need, context.zone).weighOut, {
          says: 'double',
          change: { areaSqFt: 12_960 },
        }),
      ).toBeCloseTo(2 * partFigures(best, 0, need, context.zone).weighOut.value, 9);
  });
});

describe('trips', () => {
  it('without a date there is one usual trip, within the dose ceilings', () => {
    const { prescription } = contextOf(zone(), acid);
    expect(tripsOf(zone(), prescription, [], STARTER_SHELF)).toEqual([
      { need: { N: 0.75, K2O: Math.min(1, prescription.potassium.yearLb) } },
    ]);
  });
});
