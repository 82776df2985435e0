import { readFileSync } from 'node:fs';
import { beforeEach, describe, expect, it } from 'vitest';
import { readCase } from '@core/files/case-file';
import { type Case, type Plan } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { applyChange } from '../storage/changes';
import { restoreCases } from '../storage/restore';
import { deleteProperty, loadProperty, savePlan } from '../storage/property-repository';
import { chooseProducts } from './choose-products';

const ID = 'okonedo-residence';
const file = readCase(readFileSync(`demo/${ID}.json`, 'utf8'));
if (isRefusal(file)) throw new Error(file.refused);
const given: Case = file;
const plan: Plan = {
  id: 'plan-2027',
  year: 2027,
  keptOn: '2027-04-01',
  products: undefined,
  solved: { on: '2027-04-01', status: 'optimal' },
  doses: [
    { zoneId: 'front-lawn', date: '2027-05-17', productId: 'coated-urea-42', for: 'N', rateLb: 2 },
    { zoneId: 'front-lawn', date: '2027-09-06', productId: 'ammonium-sulfate-21', for: 'N', rateLb: 4, locked: true },
  ],
};
const stored = async () => (await loadProperty(ID))!.plans!.find((p) => p.id === 'plan-2027')!;

describe('choosing a product', () => {
  beforeEach(async () => {
    if (await loadProperty(ID)) await deleteProperty(ID);
    await restoreCases([given], { idFor: (id) => id });
    await savePlan(ID, plan);
  });
  it('changes the doses of a plan that was found, at equal nitrogen, but no locked one; it is not kept any more', async () => {
    const undo = await chooseProducts(ID, { 'front-lawn/N': 'urea-46' });
    const after = await stored();
    expect(after.doses).toMatchObject([
      { date: '2027-05-17', productId: 'urea-46', rateLb: 1.83 },
      { date: '2027-09-06', productId: 'ammonium-sulfate-21', rateLb: 4 },
    ]);
    expect([after.keptOn, after.solved, after.products]).toEqual([undefined, undefined, { 'front-lawn/N': 'urea-46' }]);
    await applyChange(ID, undo);
    expect(await stored()).toMatchObject({ keptOn: '2027-04-01', doses: plan.doses });
  });
  it('is a wish for the next search on the board, and leaves the doses and the proof', async () => {
    await chooseProducts(ID, { 'front-lawn/N': 'urea-46' }, false);
    expect(await stored()).toMatchObject({ keptOn: '2027-04-01', solved: plan.solved, doses: plan.doses });
    await chooseProducts(ID, { 'front-lawn/N': null }, false);
    expect((await stored()).products).toEqual({});
  });
  it('of another zone or purpose changes nothing that is planned', async () => {
    await chooseProducts(ID, { 'front-lawn/K2O': 'sulfate-of-potash-50' });
    expect(await stored()).toMatchObject({ keptOn: '2027-04-01', doses: plan.doses });
  });
});
