import { describe, expect, it } from 'vitest';
import { firstVersion } from '../log/versions';
import type { Product } from '../records/case';
import { labelOf } from '../log/label';
import { GOOD, laid, okonedo } from '../season/front-lawn.fixture';
import { offeredDoses } from './match-dose';

const product = (id: string) => okonedo.products?.find((each) => each.id === id) as Product;
const offered = (date: string, id: string, records = okonedo.records) =>
  offeredDoses({ ...okonedo, ...(records ? { records } : {}) }, laid(GOOD), {
    zoneId: 'front-lawn',
    date,
    product: product(id),
  }).map((dose) => dose.date);

describe('the dose that something put down carried out', () => {
  it('is of the same zone and purpose within two weeks, whatever the product', () => {
    expect(offered('2027-05-10', 'coated-urea-42')).toEqual(['2027-05-03']);
    expect(offered('2027-05-10', 'ammonium-sulfate-21')).toEqual(['2027-05-03']);
    expect(offered('2027-05-17', 'coated-urea-42')).toEqual(['2027-05-03']);
    expect(offered('2027-05-18', 'coated-urea-42')).toEqual([]);
  });
  it('is offered to nothing else once a record is tied to it, and again where that is withdrawn', () => {
    const pen = { at: '2027-05-03T09:00:00-04:00', by: 'R. Amadi' };
    const tied = firstVersion(
      'r',
      {
        kind: 'feeding',
        date: '2027-05-04',
        zoneIds: ['front-lawn'],
        product: labelOf(product('coated-urea-42')),
        spreadLb: 6,
        planned: { year: 2027, date: '2027-05-03', productId: 'coated-urea-42', rateLb: 1.6 },
      },
      pen,
    );
    expect(offered('2027-05-05', 'coated-urea-42', [tied])).toEqual([]);
  });
});
