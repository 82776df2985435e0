import { MOST } from '../records/most';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { isRefusal } from '../reckoning/refusal';
import type { Product } from '../records/case';
import { printShelfCsv, readShelfCsv, SHELF_CSV_HEADER, type ShelfTable } from './shelf-csv';
import { printShelf, readShelf } from './shelf-file';

const table = (source: string): ShelfTable => {
  const read = readShelfCsv(source);
  if (isRefusal(read)) throw new Error(read.refused);
  return read;
};

describe('the shelf as CSV', () => {
  it('comes back as it went out', () => {
    expect(table(printShelfCsv(STARTER_SHELF))).toEqual({ products: STARTER_SHELF, rejected: [], ignored: [] });
  });
  it('reads columns in any order and case, gives ids, and sets lines aside with a reason', () => {
    const read = table(
      [
        'NAME,n %,K2O,package LB,pesticide,Colour',
        'Thrift feed,24,11,50,no,green',
        'Bad bag,240,0,50,,',
        ',10,0,50,,',
        'Odd,10,0,fifty,maybe,',
        'Thrift feed,10,0,50,yes,',
      ].join('\n'),
    );
    expect(read.products.map((p) => [p.id, p.guaranteed, p.pesticide])).toEqual([
      ['thrift-feed', { N: 24, K2O: 11 }, undefined],
      ['thrift-feed-2', { N: 10, K2O: 0 }, true],
    ]);
    expect(read.rejected.map((r) => r.line)).toEqual([3, 4, 5]);
    expect(read.rejected[0]?.says).toContain('240');
    expect(read.rejected[2]?.says).toContain('fifty');
    expect(read.ignored).toEqual(['Colour']);
  });
  it('refuses a table that is none', () => {
    expect(readShelfCsv('')).toMatchObject({ refused: 'The file is empty.' });
    expect(readShelfCsv('a,b\n1,2')).toMatchObject({ refused: expect.stringContaining('name') as string });
    expect(readShelfCsv('name,name\nx,y')).toMatchObject({ refused: expect.stringContaining('twice') as string });
    expect(readShelfCsv(`name\n${'x\n'.repeat(MOST.products + 1)}`)).toMatchObject({
      refused: expect.stringContaining('50000') as string,
    });
  });
  it('keeps a name that looks like a formula a name, out and back', () => {
    const hostile: Product = { id: 'x', name: '=HYPERLINK("http://x")', guaranteed: { N: 1 } };
    const text = printShelfCsv([hostile]);
    expect(text).toContain(`'=HYPERLINK`);
    expect(table(text).products[0]?.name).toBe(hostile.name);
  });
  it('survives any text and any product', () => {
    fc.assert(fc.property(fc.string({ unit: 'binary', maxLength: 400 }), (text) => readShelfCsv(text) !== undefined));
    fc.assert(
      fc.property(fc.array(fc.array(fc.string({ maxLength: 6 }), { maxLength: 12 }), { maxLength: 6 }), (rows) => {
        const read = readShelfCsv([SHELF_CSV_HEADER.join(','), ...rows.map((r) => r.join(','))].join('\n'));
        return isRefusal(read) || read.products.every((p) => p.name !== '');
      }),
    );
    const share = fc.option(
      fc.double({ min: 0, max: 30, noNaN: true }).map((x) => Number(x.toFixed(2))),
      { nil: undefined },
    );
    const product = fc
      .record({ N: share, P2O5: share, K2O: share, Fe: share, 'S-free': share })
      .map((guaranteed): Product => ({
        id: 'p',
        name: 'Any bag',
        guaranteed: Object.fromEntries(Object.entries(guaranteed).filter(([, v]) => v !== undefined)),
      }));
    fc.assert(
      fc.property(product, (given) => {
        expect(table(printShelfCsv([given])).products).toEqual([given]);
      }),
    );
  });
});

describe('the shelf as JSON', () => {
  it('comes back as it went out', () => {
    expect(readShelf(printShelf(STARTER_SHELF))).toEqual(STARTER_SHELF);
  });
  it('reads the shelf of a case file', () => {
    expect(readShelf(JSON.stringify({ format: 'ubertas-case', version: 1, products: [STARTER_SHELF[0]] }))).toEqual([
      STARTER_SHELF[0],
    ]);
  });
  it.each([
    ['{', 'JSON'],
    ['[]', 'not a shelf'],
    ['{"format":"ubertas-shelf","version":2,"products":[]}', 'newer'],
    ['{"format":"ubertas-shelf","version":1}', 'no list'],
    ['{"format":"ubertas-shelf","version":1,"products":[{"id":"a","name":"A","guaranteed":{"N":"5"}}]}', 'number'],
    ['{"format":"ubertas-shelf","version":1,"products":[{"id":"a","name":"A","garanteed":{}}]}', 'guaranteed'],
    [printShelf([STARTER_SHELF[0] as Product, STARTER_SHELF[0] as Product]), 'share the id'],
  ])('refuses %s', (source, says) => {
    const read = readShelf(source);
    expect(isRefusal(read) && read.refused).toContain(says);
  });
});
