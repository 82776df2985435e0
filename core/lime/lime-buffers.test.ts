import { describe, expect, it } from 'vitest';
import { mehlichLime } from './mehlich';
import { limeEcce } from './ecce';
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
  it('keeps what each of the three can read, aim at and count in (values from memory)', () => {
    const of = ({ startsAtPh, readings, aims, basisEccePercent }: (typeof LIME_BUFFERS)[keyof typeof LIME_BUFFERS]) => [
      startsAtPh,
      readings.from,
      readings.to,
      aims.from,
      aims.to,
      basisEccePercent,
    ];
    expect(of(LIME_BUFFERS.mehlich)).toEqual([6.6, 3.9, 6.75, 0, 6.59, 65]);
    expect(of(LIME_BUFFERS.smp)).toEqual([7.5, 4, 7.5, 6, 6.8, 65]);
    expect(of(LIME_BUFFERS['adams-evans'])).toEqual([8, 7, 8.1, 0, 7, 100]);
  });
  it('takes a Mehlich buffer of 6.75 for no acidity, and 6.76 for none of its own (value from memory)', () => {
    const at = (bufferPh: number) => evaluate(mehlichLime, { soilPh: 5.6, bufferPh, aimPh: 6.2, treatedDepthIn: 4 });
    expect(at(6.75)).toBe(0);
    expect(at(6.76)).toMatchObject({ field: 'bufferPh' });
    expect(at(3.89)).toMatchObject({ field: 'bufferPh' });
  });
  it('knows no buffer by the name of an extractant, and asks of the three that the others are read as', () => {
    for (const method of METHODS) expect(limeBuffer(method) !== undefined).toBe(Object.hasOwn(LIME_BUFFERS, method));
    expect(limeBuffer(undefined)).toBeUndefined();
    expect(FIRST_BUFFERS.map((m) => LIME_BUFFERS[m].method)).toEqual(['lime.mehlich', 'lime.smp', 'lime.adams-evans']);
  });
});

describe('sieves of a lime', () => {
  const ecce = (under60MeshPercent: number) =>
    evaluate(limeEcce, {
      ccePercent: 92,
      over8MeshPercent: 2,
      mesh8to20Percent: 8,
      mesh20to60Percent: 30,
      under60MeshPercent,
    });
  it('may miss 100 by half a percent of rounding and no more (decision)', () => {
    expect(isRefusal(ecce(60.5))).toBe(false);
    expect(isRefusal(ecce(59.5))).toBe(false);
    expect(isRefusal(ecce(60.6))).toBe(true);
    expect(isRefusal(ecce(59.4))).toBe(true);
  });
});
