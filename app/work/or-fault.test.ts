import { describe, expect, it } from 'vitest';
import { handOver, takeHanded } from './handed-file';
import { orFault } from './or-fault';
import { readFileText } from './read-file-text';

describe('what an action answers when the database refuses', () => {
  it('is a sentence for a full one, and nothing else is hidden', async () => {
    const full = () => Promise.reject(Object.assign(new Error('x'), { name: 'QuotaExceededError' }));
    expect(await orFault(full)).toEqual({ faults: { storage: expect.stringContaining('storage is full') } });
    await expect(orFault(() => Promise.reject(new TypeError('a defect')))).rejects.toThrow('a defect');
    expect(await orFault(() => Promise.resolve(7))).toBe(7);
  });
});

describe('a file handed from page to page', () => {
  it('is taken once', () => {
    const file = new File(['a'], 'a.csv');
    handOver(file);
    expect(takeHanded()).toBe(file);
    expect(takeHanded()).toBeUndefined();
  });
  it('is never taken into memory when it is too large or empty', async () => {
    expect(await readFileText(new File([], 'a.json'))).toMatchObject({ refused: expect.stringContaining('is empty') });
    const large = Object.defineProperty(new File(['a'], 'b.json'), 'size', { value: 450_000_000 });
    expect(await readFileText(large)).toMatchObject({ refused: expect.stringContaining('450 MB') });
    expect(await readFileText(new File(['{}'], 'c.json'))).toBe('{}');
  });
});
