import { describe, expect, it } from 'vitest';
import type { RecordBody } from '@core/records/case';
import { labelOf } from '@core/log/label';
import { okonedo } from '@core/season/front-lawn.fixture';
import { usUnits } from '../../ui/format';
import { bodyFrom, newRecord, typedFrom } from './typed-record';

const products = okonedo.products ?? [];
const asked = { products, zones: okonedo.zones, units: usUnits, doses: [] };
const urea = products.find(({ id }) => id === 'coated-urea-42')!;
const before: RecordBody = {
  kind: 'feeding',
  date: '2027-05-03',
  zoneIds: ['front-lawn'],
  zoneAreaSqFt: 3900,
  product: labelOf(urea),
  weighedLb: 6.17643,
  backLb: 0.23417,
  spreadLb: 5.94226,
  weather: { origin: 'forecast', windMph: 6.4321 },
};

describe('a record as it is typed', () => {
  it('of which only the words are corrected keeps its pounds, its wind and its ground to the last digit', () => {
    const { body, faults } = bodyFrom({ ...typedFrom(before, usUnits), notes: 'by the hedge' }, { ...asked, before });
    expect(faults).toEqual({});
    expect(body).toMatchObject({ ...before, spreadLb: expect.closeTo(5.94226, 9), notes: 'by the hedge' });
  });
  it('says by its field what is missing, and what cannot be', () => {
    const typed = newRecord('2027-05-03', 'front-lawn', '');
    expect(Object.keys(bodyFrom(typed, asked).faults)).toEqual(['product', 'weighed']);
    const over = bodyFrom({ ...typed, productId: urea.id, weighed: '5', back: '6' }, asked);
    expect(over.faults.back).toMatch(/More is left than was weighed out: 6\.0 lb product of 5\.0 lb product/);
    expect(bodyFrom({ ...typed, zoneIds: [], kind: 'mowing' }, asked).faults.zoneIds).toBeDefined();
  });
});
