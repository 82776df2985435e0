import { describe, expect, it } from 'vitest';
import { isTooDeep, refuseSize } from './largest-file';

describe('a file by its size', () => {
  it('is read up to the most of its kind, and refused beyond with both sizes', () => {
    expect(refuseSize('a.gpx', 20_000_000, 'ground')).toBeUndefined();
    expect(refuseSize('a.gpx', 31_000_000, 'ground')?.refused).toMatch(/a\.gpx is 31 MB: at most 20 MB/);
    expect(refuseSize('a.csv', 0, 'table')?.refused).toContain('is empty');
  });
});

describe('a text of lists within lists', () => {
  it.each([
    ['sixty deep', '['.repeat(60) + ']'.repeat(60), false],
    ['sixty-one deep', '{"a":'.repeat(61), true],
    ['two hundred thousand deep', '['.repeat(200_000), true],
    ['many beside each other', '[[1],[2]],'.repeat(10_000), false],
    ['brackets in a text', `"${'['.repeat(100)}"`, false],
    ['brackets after an escaped quote in a text', `"\\"${'['.repeat(100)}"`, false],
    ['brackets after a text that ends in a backslash', `"\\\\"${'['.repeat(100)}`, true],
  ])('%s', (_what, text, deep) => {
    expect(isTooDeep(text)).toBe(deep);
  });
});
