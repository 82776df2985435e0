import { describe, expect, it } from 'vitest';
import type { Case, Product, Zone } from '../records/case';
import { STARTER_SHELF } from '../packs/starter-shelf';
import { type Brought, compareCases, isToBeAsked, usualDecision } from './compare-cases';

const zone: Zone = { id: 'z', name: 'Bank', areaSqFt: 900, grass: 'tall-fescue', texture: 'loam' };
const file = (over: Partial<Case> = {}): Case => ({
  format: 'ubertas-case',
  version: 1,
  property: { id: 'p', name: 'Weir house' },
  zones: [zone],
  ...over,
});
const EARLY = '2027-03-01T09:00:00.000Z';
const LATE = '2027-03-02T09:00:00.000Z';
const standing = (here: Partial<Zone>, there: Partial<Zone>) =>
  compareCases(file({ zones: [{ ...zone, ...here }] }), [], file({ zones: [{ ...zone, ...there }] })).find(
    (each) => each.kind === 'zones',
  )?.standing;

describe('a record of a file beside the one here', () => {
  it.each<[string, Partial<Zone>, Partial<Zone>, Brought['standing']]>([
    ['the same, whenever it was changed', { changedAt: EARLY }, { changedAt: LATE }, 'same'],
    ['changed later here', { changedAt: LATE, care: 'high' }, { changedAt: EARLY }, 'newer-here'],
    ['changed later in the file', { changedAt: EARLY }, { changedAt: LATE, care: 'high' }, 'newer-there'],
    ['without a day here', {}, { changedAt: LATE, care: 'high' }, 'differs'],
    ['without a day in the file', { changedAt: LATE }, { care: 'high' }, 'differs'],
    ['of the same moment and yet not the same', { changedAt: LATE }, { changedAt: LATE, care: 'high' }, 'differs'],
    ['with nothing where the other has no key', { care: undefined }, {}, 'same'],
  ])('is %s', (_what, here, there, expected) => {
    expect(standing(here, there)).toBe(expected);
  });
  it('is new where the property or the record is not here', () => {
    expect(compareCases(undefined, [], file()).map((each) => each.standing)).toEqual(['new', 'new']);
    expect(compareCases(file({ zones: [] }), [], file()).map((each) => each.standing)).toEqual(['same', 'new']);
  });
  it('is judged without regard to the order of its keys', () => {
    const { name, ...rest } = zone;
    expect(compareCases(file(), [], file({ zones: [{ ...rest, name }] }))[1]?.standing).toBe('same');
  });
  it('of the property is its own facts, its codes and its choices', () => {
    const [property] = compareCases(file(), [], file({ choices: { school: 'minimum' } }));
    expect([property?.kind, property?.standing]).toEqual(['property', 'differs']);
  });
});

describe('a product of a file', () => {
  const urea = STARTER_SHELF[0] as Product;
  const of = (here: Product | undefined, there: Product) =>
    compareCases(file(), here ? [here] : [], file({ products: [there] })).at(-1) as Brought;
  it('gives way without a question where ours came with Ubertas and was never touched', () => {
    const brought = of(urea, { ...urea, lot: 'Q7' });
    expect(brought).toMatchObject({ standing: 'newer-there', untouched: true });
    expect(isToBeAsked(brought, true)).toBe(false);
    expect(usualDecision(brought, true)).toBe('take');
  });
  it('does not where it was touched, though it was set back to what it was', () => {
    expect(of({ ...urea, changedAt: LATE }, { ...urea, lot: 'Q7' })).not.toHaveProperty('untouched');
  });
  it('of another label stands beside ours when a stranger brings it, and is asked about when a backup does', () => {
    const brought = of({ ...urea, changedAt: LATE }, { ...urea, guaranteed: { N: 40 } });
    expect(brought).toMatchObject({ standing: 'differs', otherLabel: true });
    expect([usualDecision(brought, false), isToBeAsked(brought, false)]).toEqual(['both', false]);
    expect([usualDecision(brought, true), isToBeAsked(brought, true)]).toEqual(['leave', true]);
  });
});

describe('what is usually done', () => {
  it.each<[Brought['standing'], string]>([
    ['new', 'take'],
    ['same', 'leave'],
    ['newer-there', 'take'],
    ['newer-here', 'leave'],
    ['differs', 'leave'],
  ])('with what is %s is to %s it', (standing, decision) => {
    expect(usualDecision({ kind: 'zones', id: 'z', name: 'Bank', standing }, true)).toBe(decision);
  });
});
