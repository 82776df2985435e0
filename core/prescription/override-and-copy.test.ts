import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LocalCode, OwnFigure, SoilTest, Zone } from '../records/case';
import { zoneSchema } from '../records/case';
import { faultsByField } from '../records/strict-schema';
import { printPrescription } from '../files/reading-results';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { compareAcidifiers } from './acidifiers';
import { BUILT_IN_PACKS } from '../packs/rule-packs';
import { copiedOnto, differencesOf, linesToCopy } from './copy-prescription';
import { prescribeZone } from './prescribe';
import { highPhAnswers, otherSchoolAnswers } from './school-answers';
import { zoneAmount } from '../products/zone-amount';
import { evaluate } from '../reckoning/define';

const zone = (over: Partial<Zone> = {}): Zone => ({
  id: 'z',
  name: 'South lawn',
  areaSqFt: 6480,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  clippings: 'returned',
  ...over,
});
const report = (pH: number, more: SoilTest['results'] = []): SoilTest => ({
  id: 's',
  zoneId: 'z',
  sampledOn: '2027-02-17',
  depthIn: 4,
  results: [
    { analyte: 'pH', value: pH, method: 'water-1:1' },
    { analyte: 'P', value: 71, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'K', value: 44, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'Mg', value: 74, unit: 'ppm', method: 'mehlich-3' },
    { analyte: 'CEC', value: 9, unit: 'cmolc/kg' },
    ...(more ?? []),
  ],
});
const acid = report(5.6, [{ analyte: 'buffer-pH', value: 6.32, method: 'mehlich' }]);
const own = (line: OwnFigure['line'], value: number): OwnFigure => ({
  line,
  value,
  reason: 'I know this ground',
  by: 'R. Amadi',
  on: '2027-03-06',
});
const prescribe = (given: Zone, test: SoilTest | undefined, codes: LocalCode[] = []) =>
  prescribeZone({ zone: given, tests: test ? [test] : [], products: STARTER_SHELF, codes }).prescription;

describe('overrides', () => {
  it('stand in place of the rule, which stays beside them with its reason in the working', () => {
    const rule = prescribe(zone(), acid);
    const mine = prescribe(zone({ own: [own('nitrogen', 2.75), own('potassium', 0.5)] }), acid);
    expect(mine.nitrogen.year.value).toBe(2.75);
    expect(mine.nitrogen.byRule?.value).toBeCloseTo(rule.nitrogen.year.value, 9);
    expect(mine.nitrogen.year.origins.ownLb?.says).toBe('override: I know this ground. R. Amadi, 2027-03-06');
    expect(mine.nitrogen.year.origins.ruleLb?.figure?.value).toBeCloseTo(rule.nitrogen.year.value, 9);
    expect(mine.potassium.yearLb).toBe(0.5);
    expect(mine.potassium.byRule?.value).toBeGreaterThan(0);
  });
  it('carry on into what follows: more nitrogen takes more potassium', () => {
    const more = prescribe(zone({ own: [own('nitrogen', 4)] }), acid);
    expect(more.potassium.yearLb).toBeGreaterThan(prescribe(zone(), acid).potassium.yearLb);
  });
  it('of lime and sulfur are split into doses, and follow the aim and the depth that are own', () => {
    const lime = prescribe(zone({ own: [own('lime', 80)] }), acid).ph;
    expect(lime).toMatchObject({ action: 'lime', doses: [40, 40] });
    expect(lime.byRule?.value).toBeCloseTo(prescribe(zone(), acid).ph.material?.value as number, 9);
    expect(prescribe(zone({ own: [own('aim-ph', 6.5)] }), acid).ph.targetPh).toBe(6.5);
    const deep = prescribe(zone({ own: [own('treated-depth', 8)] }), acid).ph;
    expect(deep.requirement?.value).toBeCloseTo(2 * (prescribe(zone(), acid).ph.requirement?.value as number), 9);
    expect(prescribe(zone({ own: [own('root-zone', 6)] }), acid).potassium.yearLb).toBeGreaterThan(
      prescribe(zone(), acid).potassium.yearLb,
    );
    const alkaline = report(7.5);
    expect(prescribe(zone({ own: [own('free-sulfur', 8)] }), alkaline).ph).toMatchObject({
      action: 'sulfur',
      doses: [4, 4],
    });
    expect(prescribe(zone({ own: [own('free-sulfur', 0)] }), alkaline).ph.action).toBe('leave');
    expect(prescribe(zone({ own: [own('lime', 0)] }), acid).ph).toMatchObject({ action: 'none', doses: [] });
  });
  it('may go against the rule inside the window, never the wrong way, never without a test', () => {
    expect(prescribe(zone({ own: [own('lime', 20)] }), report(6.4)).ph).toMatchObject({ action: 'lime', doses: [20] });
    expect(prescribe(zone({ own: [own('lime', 20)] }), report(7.2)).ph).toMatchObject({
      action: 'leave',
      says: expect.stringContaining('kept aside') as string,
    });
    expect(prescribe(zone({ own: [own('free-sulfur', 4)] }), report(6.9)).ph).toMatchObject({
      action: 'sulfur',
      doses: [4],
    });
    expect(prescribe(zone({ own: [own('free-sulfur', 4)] }), report(5.8)).ph.action).not.toBe('sulfur');
    const untested = prescribe(zone({ own: [own('lime', 20), own('potassium', 1), own('phosphorus', 1)] }), undefined);
    expect(untested.ph.doses).toEqual([]);
    expect(untested.potassium).toMatchObject({ yearLb: 0, says: expect.stringContaining('kept aside') as string });
    expect(untested.phosphorus.yearLb).toBe(0);
  });
  it('never pass a local code, and say when they pass the ceiling of the grass', () => {
    const code: LocalCode = { id: 'c', maxNPerYear: 3.5, phosphorusNeedsTest: true };
    const held = prescribe(zone({ own: [own('nitrogen', 4), own('phosphorus', 1)] }), acid, [code]);
    expect(held.nitrogen.year.value).toBe(3.5);
    expect(held.cautions.join(' ')).toContain('held to the local code');
    expect(held.phosphorus).toMatchObject({ yearLb: 0, says: expect.stringContaining('held to 0') as string });
    const free = prescribe(zone({ own: [own('nitrogen', 6), own('phosphorus', 1)] }), acid);
    expect(free.cautions.join(' ')).toContain('above the grass’s ceiling');
    expect(free.phosphorus).toMatchObject({ yearLb: 1, says: expect.stringContaining('does not ask for') as string });
  });
  it('are printed in the results with what the rule gave', () => {
    const printed = printPrescription({
      format: 'ubertas-case',
      version: 1,
      property: { id: 'p', name: 'P' },
      zones: [zone({ own: [own('nitrogen', 2.75), own('lime', 80)] })],
      soilTests: [acid],
      products: [...STARTER_SHELF],
    });
    expect(printed.zones[0]?.nitrogen.own).toMatchObject({
      value: 2.75,
      reason: 'I know this ground',
      byRuleLb: expect.any(Number) as number,
    });
    expect(printed.zones[0]?.ph.own).toMatchObject({ value: 80 });
  });
  it('are refused out of bounds or without a reason', () => {
    const faults = (each: Partial<OwnFigure>) =>
      Object.values(faultsByField(zoneSchema, zone({ own: [{ ...own('nitrogen', 2), ...each }] })));
    expect(faults({})).toEqual([]);
    expect(faults({ value: 11 })[0]).toContain('between 0 and 10');
    expect(faults({ line: 'aim-ph', value: 9 })[0]).toContain('between 5 and 7.5');
    expect(faults({ reason: '' })[0]).toContain('reason');
  });
  it('for any override: total per 1000 × area is the zone total is the sum over the doses', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 50, max: 500_000, noNaN: true }),
        (lb, areaSqFt) => {
          const given = zone({ areaSqFt, own: [own('lime', lb)] });
          const { ph } = prescribe(given, acid);
          const total = evaluate(zoneAmount, { ratePer1000Lb: ph.material?.value as number, areaSqFt }) as number;
          const doses = ph.doses.reduce(
            (sum, dose) => sum + (evaluate(zoneAmount, { ratePer1000Lb: dose, areaSqFt }) as number),
            0,
          );
          expect(Math.abs(total - doses)).toBeLessThanOrEqual(1e-9 * Math.max(1, total));
          expect(ph.doses.every((dose) => dose <= 50 + 1e-9)).toBe(true);
        },
      ),
    );
  });
});

describe('copying a prescription', () => {
  const shade = zone({ id: 'w', name: 'Lime walk', grass: 'fine-fescue', texture: 'loam', light: 'shade' });
  it('names every difference and why it matters, and none between twins', () => {
    const found = differencesOf({ zone: zone(), test: acid }, { zone: shade });
    expect(found.map((d) => d.what)).toEqual([
      'Grass',
      'Soil',
      'Light',
      'Report',
      'pH on the report',
      'P on the report',
      'K on the report',
      'Mg on the report',
    ]);
    expect(found[0]).toMatchObject({
      from: expect.stringMatching(/tall fescue/i) as string,
      to: expect.stringMatching(/fescue/i) as string,
    });
    expect(differencesOf({ zone: zone(), test: acid }, { zone: zone({ id: 'y', name: 'Twin' }), test: acid })).toEqual(
      [],
    );
    expect(differencesOf({ zone: zone() }, { zone: zone({ grass: 'bermudagrass' }) }).map((d) => d.what)).toContain(
      'Season',
    );
  });
  it('are told by the grasses of a loaded pack, where one is', () => {
    const [tall, fine] = (['tall-fescue', 'fine-fescue'] as const).map((id) => BUILT_IN_PACKS.grasses.get(id)!);
    const packs = {
      ...BUILT_IN_PACKS,
      grasses: new Map([
        ...BUILT_IN_PACKS.grasses,
        ['fine-fescue' as const, { ...fine!, name: 'Moor fescue', season: 'warm' as const }],
      ]),
    };
    const found = differencesOf({ zone: zone() }, { zone: zone({ id: 'y', grass: 'fine-fescue' }) }, packs);
    expect(found[0]).toMatchObject({ what: 'Grass', from: tall!.name, to: 'Moor fescue' });
    expect(found[1]).toMatchObject({ what: 'Season', to: 'warm-season' });
  });
  it('counts readings within the noise of a laboratory as the same', () => {
    const near = {
      ...acid,
      results: acid.results?.map((r) =>
        r.analyte === 'K' ? { ...r, value: 47 } : r.analyte === 'pH' ? { ...r, value: 5.7 } : r,
      ),
    };
    expect(differencesOf({ zone: zone(), test: acid }, { zone: zone(), test: near })).toEqual([]);
    const otherwise = {
      ...acid,
      results: acid.results?.map((r) => (r.analyte === 'K' ? { ...r, method: 'ammonium-acetate' as const } : r)),
    };
    expect(differencesOf({ zone: zone(), test: acid }, { zone: zone(), test: otherwise })).toEqual([
      expect.objectContaining({
        what: 'K on the report',
        from: '44 ppm (mehlich 3)',
        to: '44 ppm (ammonium acetate)',
        matters: 'Measured otherwise: the two numbers cannot be compared.',
      }),
    ]);
    const far = { ...acid, results: acid.results?.map((r) => (r.analyte === 'pH' ? { ...r, value: 5.9 } : r)) };
    expect(differencesOf({ zone: zone(), test: acid }, { zone: zone(), test: far }).map((d) => d.what)).toEqual([
      'pH on the report',
    ]);
  });
  it('copies nothing that only a test may ask for onto a zone without one', () => {
    const from = prescribe(zone(), acid);
    const lines = linesToCopy(from, prescribe(shade, undefined));
    expect(lines.filter((l) => l.refused === undefined).map((l) => l.line)).toEqual(['nitrogen']);
    const copied = copiedOnto({ ...shade, own: [own('nitrogen', 1), own('root-zone', 5)] }, lines, {
      fromName: 'South lawn',
      reason: 'Same mixture in truth.',
      on: '2027-03-06',
    });
    expect(copied.own?.map((o) => [o.line, o.value])).toEqual([
      ['root-zone', 5],
      ['nitrogen', from.nitrogen.year.value],
    ]);
    expect(copied.own?.[1]?.reason).toBe('Copied from South lawn. Same mixture in truth.');
  });
  it('copies lime only where the other pH asks for it, phosphorus only where the other test does', () => {
    const from = prescribe(zone(), acid);
    const refusedOf = (to: SoilTest) =>
      linesToCopy(from, prescribe(zone(), to)).find((l) => l.line === 'lime')?.refused;
    expect(refusedOf(report(6.4))).toBe('its own pH asks for no lime');
    expect(refusedOf(acid)).toBeUndefined();
    const poor = { ...acid, results: acid.results?.map((r) => (r.analyte === 'P' ? { ...r, value: 9 } : r)) };
    expect(linesToCopy(prescribe(zone(), poor), from).find((l) => l.line === 'phosphorus')?.refused).toBe(
      'its own test asks for none',
    );
  });
});

describe('schools and acidifiers beside the answer', () => {
  const facts = (test: SoilTest) => ({ zone: zone(), tests: [test], products: STARTER_SHELF, codes: [], choices: {} });
  it('the other schools answer for the same report', () => {
    const answers = otherSchoolAnswers(facts(acid));
    expect(answers.map((a) => a.school)).toEqual(['minimum', 'saturation']);
    expect(answers[0]?.hasRule('potassium')).toBe(true);
    expect(answers[1]?.hasRule('phosphorus')).toBe(false);
    expect(answers[1]?.prescription.potassium.yearLb).not.toBeCloseTo(
      answers[0]?.prescription.potassium.yearLb ?? 0,
      6,
    );
  });
  it('overrides do not colour what the other schools say', () => {
    const given = { ...facts(acid), zone: zone({ own: [own('potassium', 3)] }) };
    expect(otherSchoolAnswers(given).map((a) => a.prescription.potassium.yearLb)).toEqual(
      otherSchoolAnswers(facts(acid)).map((a) => a.prescription.potassium.yearLb),
    );
  });
  it('schools on high pH: correct slowly gives sulfur, the others leave it', () => {
    expect(
      highPhAnswers({ ...facts(report(7.7)), zone: zone({ carbonates: 'none' }) }).map((a) => [
        a.id,
        a.ph.action,
        a.chosen,
      ]),
    ).toEqual([
      ['correct-slowly', 'sulfur', true],
      ['leave-and-manage', 'leave', false],
      ['acidifying-nitrogen', 'leave', false],
    ]);
  });
  it('0.4 lb of ammonium N undoes 2.1 lb of lime where ten pounds of sulfur undo 31 (Pierre 1933 from memory; stoichiometry)', () => {
    const { nitrogen, ph } = prescribe(zone({ carbonates: 'none' }), report(7.7));
    const { need, rows } = compareAcidifiers(zone(), nitrogen.year, ph.requirement);
    const of = (id: string) => rows.find((row) => row.id === id);
    expect(of('one-dose')?.undoes.value).toBeCloseTo(2.14, 9);
    expect(of('elemental-sulfur')?.undoes.value).toBeCloseTo(Math.min(10, ph.requirement?.value as number) * 3.1218, 2);
    expect(of('peat')?.undoes.value).toBe(1.5);
    expect(need?.value).toBeCloseTo((ph.requirement?.value as number) * 3.1218, 2);
    expect(of('ammonium-sulfate')?.years).toBeCloseTo((need?.value as number) / (nitrogen.year.value * 5.35), 9);
    expect(compareAcidifiers(zone({ turf: 'close-cut' }), nitrogen.year, undefined).rows[0]?.undoes.value).toBeCloseTo(
      3 * 3.1218,
      2,
    );
  });
});
