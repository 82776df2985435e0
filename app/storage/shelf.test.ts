import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import type { Case, Product } from '@core/records/case';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { restoreCases } from './restore';
import { openDatabase, type UbertasDatabase } from './schema';
import {
  changeShelf,
  deleteProduct,
  loadShelf,
  missingStarters,
  propertiesNaming,
  saveProducts,
} from './shelf-repository';

/** Files that keep their own ids, so that the tests can speak of them. */
const SAME = { idFor: (id: string) => id };

let db: UbertasDatabase;
let count = 0;
beforeEach(() => {
  db = openDatabase(`shelf-${count++}`);
});
afterEach(async () => {
  await db.delete();
});
const feed: Product = { id: 'feed', name: 'Feed', guaranteed: { N: 20 } };
const property = (over: Partial<Case>): Case => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'Gatehouse green' },
  zones: [{ id: 'z', name: 'Front', areaSqFt: 100, grass: 'tall-fescue', texture: 'loam' }],
  ...over,
});

describe('the shelf of this browser', () => {
  it('starts with the starter materials, and keeps what is put on it', async () => {
    expect(await loadShelf(db)).toHaveLength(STARTER_SHELF.length);
    await saveProducts([feed, { ...feed, id: 'other' }], db);
    expect(await loadShelf(db)).toHaveLength(STARTER_SHELF.length + 2);
    await deleteProduct('feed', db);
    expect((await loadShelf(db)).some((p) => p.id === 'feed')).toBe(false);
  });
  it('knows which starter materials are gone, and can be put back whole', async () => {
    await loadShelf(db);
    const undo = await deleteProduct('urea-46', db);
    expect((await missingStarters(db)).map((p) => p.id)).toEqual(['urea-46']);
    await changeShelf(undo, db);
    expect(await missingStarters(db)).toEqual([]);
  });
  it('names the properties that speak of a product, in a plan or a record', async () => {
    await restoreCases(
      [
        property({ products: [feed], plans: [{ id: 'plan', year: 2027, products: { 'z/N': 'feed' } }] }),
        property({
          property: { id: 'q', name: 'Chapel' },
          zones: [
            {
              id: 'z',
              name: 'F',
              areaSqFt: 9,
              grass: 'tall-fescue',
              texture: 'loam',
              applied: [{ date: '2027-03-20', productId: 'feed', zoneLb: 1 }],
            },
          ],
        }),
        property({ property: { id: 'r', name: 'Elsewhere' } }),
      ],
      SAME,
      db,
    );
    expect((await propertiesNaming('feed', db)).sort()).toEqual(['Chapel', 'Gatehouse green']);
    expect(await propertiesNaming('urea-46', db)).toEqual([]);
  });
  it('learns the stock of a case only where its own was never known', async () => {
    await loadShelf(db);
    const urea = STARTER_SHELF.find((p) => p.id === 'urea-46') as Product;
    await restoreCases([property({ products: [{ ...urea, onHandLb: 12 }] })], SAME, db);
    expect((await db.products.get('urea-46'))?.onHandLb).toBe(12);
    await restoreCases(
      [property({ property: { id: 'q', name: 'Q' }, products: [{ ...urea, onHandLb: 99 }] })],
      SAME,
      db,
    );
    expect((await db.products.get('urea-46'))?.onHandLb).toBe(12);
  });
});
