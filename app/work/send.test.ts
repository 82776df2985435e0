import { describe, expect, it } from 'vitest';
import { received, type Shapes } from './send';

type Sent =
  | { intent: 'keep'; zoneId: string; on: boolean; depth?: number }
  | { intent: 'put-back'; plan: object | null; doses: unknown[] };
const SHAPES: Shapes<Sent> = {
  keep: { zoneId: 'text', on: 'yes', depth: 'number?' },
  'put-back': { plan: 'record?', doses: 'list' },
};
const ask = (body: unknown) =>
  received<Sent>(new Request('http://here', { method: 'POST', body: JSON.stringify(body) }), SHAPES);
const refusal = async (body: unknown): Promise<string> => {
  const fault: unknown = await ask(body).catch((thrown: unknown) => thrown);
  if (!(fault instanceof Response)) throw new Error('was taken');
  expect(fault.status).toBe(400);
  return fault.text();
};

describe('the body of a request', () => {
  it('is handed over as it came where it has one of the shapes', async () => {
    const keep = { intent: 'keep', zoneId: '', on: false, depth: 0 };
    expect(await ask(keep)).toEqual(keep);
    expect(await ask({ intent: 'put-back', plan: null, doses: [] })).toEqual({
      intent: 'put-back',
      plan: null,
      doses: [],
    });
  });
  it.each([
    ['no intent', {}, 'none of keep, put-back'],
    ['an unknown intent', { intent: 'drop-everything' }, 'none of keep'],
    ['a name of every object', { intent: 'constructor' }, 'none of keep'],
    ['no record', 'keep', 'none of keep'],
    ['a list', [], 'none of keep'],
    ['a stranger among the keys', { intent: 'keep', zoneId: 'z', on: true, all: true }, '“all”'],
    ['a missing key', { intent: 'keep', zoneId: 'z' }, 'a yes as “on”'],
    ['a number for text', { intent: 'keep', zoneId: 4, on: true }, 'a text as “zoneId”'],
    ['a list for a record', { intent: 'put-back', plan: [], doses: [] }, 'a record as “plan”'],
    ['text for a number', { intent: 'keep', zoneId: 'z', on: true, depth: '4' }, 'a number as “depth”'],
  ])('of %s is refused by name', async (_what, body, says) => {
    expect(await refusal(body)).toContain(says);
  });
  it('that is no JSON is refused', async () => {
    const fault: unknown = await received<Sent>(
      new Request('http://here', { method: 'POST', body: '{' }),
      SHAPES,
    ).catch((thrown: unknown) => thrown);
    expect(fault).toBeInstanceOf(Response);
  });
});
