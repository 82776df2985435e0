import { describe, expect, it, vi } from 'vitest';
import { handOver, takeHanded } from './handed-file';
import { orFault } from './or-fault';
import { readFileText } from '../workers/read-file-text';

describe('what an action answers when the database refuses', () => {
  it('is a sentence for a full one', async () => {
    const full = () => Promise.reject(Object.assign(new Error('x'), { name: 'QuotaExceededError' }));
    expect(await orFault(full)).toEqual({ faults: { storage: expect.stringContaining('storage is full') } });
    expect(await orFault(() => Promise.resolve(7))).toBe(7);
  });
  it('is a sentence for a defect too, which is reported: the page with all that was typed stays', async () => {
    const told = vi.fn();
    vi.stubGlobal('reportError', told);
    const defect = new TypeError('a defect');
    expect(await orFault(() => Promise.reject(defect))).toEqual({
      faults: { storage: expect.stringContaining('What you typed is still here') },
    });
    expect(told).toHaveBeenCalledWith(defect);
    vi.unstubAllGlobals();
  });
  it('lets a redirect through', async () => {
    const redirect = new Response(null, { status: 302 });
    await expect(orFault(() => Promise.reject(redirect as unknown as Error))).rejects.toBe(redirect);
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
