import { describe, expect, it } from 'vitest';
import { isRefusal } from '../reckoning/refusal';
import { evaluate } from '../reckoning/define';
import { METHODS } from '../records/vocabularies';
import { BUFFER_METHODS, FIRST_BUFFERS, LIME_BUFFERS, limeBuffer, refuseReading } from './buffers';

describe('the table of lime buffers', () => {
  it.each(BUFFER_METHODS)('%s reckons lime for a reading inside its bounds and aims', (method) => {
    const { reckoning, readings, startsAtPh } = LIME_BUFFERS[method];
    const bufferPh = startsAtPh - 0.6;
    expect(bufferPh).toBeGreaterThan(readings.from);
    const lb = evaluate(reckoning, { soilPh: 5.4, bufferPh, aimPh: 6.3, treatedDepthIn: 4 });
    expect(isRefusal(lb)).toBe(false);
    expect(lb).toBeGreaterThan(0);
  });
  it.each(BUFFER_METHODS)('%s refuses what no such buffer can read, at both ends and not inside', (method) => {
    const { readings } = LIME_BUFFERS[method];
    expect(refuseReading(method, readings.from)).toBeUndefined();
    expect(refuseReading(method, readings.to)).toBeUndefined();
    expect(refuseReading(method, readings.to + 0.01)).toMatchObject({ field: 'bufferPh' });
    expect(refuseReading(method, readings.from - 0.01)).toMatchObject({ field: 'bufferPh' });
  });
  it('has the Mehlich readings end at 6.75, a little over its start (value from memory)', () => {
    expect(LIME_BUFFERS.mehlich.readings).toEqual({ from: 3.9, to: 6.75 });
    expect(LIME_BUFFERS.mehlich.startsAtPh).toBe(6.6);
  });
  it('knows no buffer by the name of an extractant, and asks of the three that the others are read as', () => {
    for (const method of METHODS) expect(limeBuffer(method) !== undefined).toBe(Object.hasOwn(LIME_BUFFERS, method));
    expect(limeBuffer(undefined)).toBeUndefined();
    expect(FIRST_BUFFERS.map((m) => LIME_BUFFERS[m].method)).toEqual(['lime.mehlich', 'lime.smp', 'lime.adams-evans']);
  });
});
