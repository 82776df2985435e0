import { describe, expect, it } from 'vitest';
import { REGISTRY } from '../registry';
import { explain, type ReckonedValue } from './define';
import type { Input } from './inputs';
import { isRefusal } from './refusal';

/** Works out a printed arithmetic line by itself, so that no step can print one thing and mean another. */
function arithmetic(line: string): number | undefined {
  const code = line
    .replaceAll('×', '*')
    .replaceAll('÷', '/')
    .replaceAll('−', '-')
    .replaceAll('^', '**')
    .replace(/\b(max|min|abs|ceil|exp|sqrt|acos|sin|cos|tan)\b/g, 'Math.$1');
  if (!/^[-+*/().,\d\seE]*$/.test(code.replace(/Math\.(max|min|abs|ceil|exp|sqrt|acos|sin|cos|tan)/g, '')))
    return undefined;
  return new Function(`return ${code}`)() as number;
}

const close = (a: ReckonedValue, b: ReckonedValue): boolean => {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= 1e-9 * Math.max(1, Math.abs(a));
  if (typeof a === 'object' && typeof b === 'object')
    return Object.keys(b).every(
      (k) => JSON.stringify(a[k]) === JSON.stringify(b[k]) || close(a[k] as ReckonedValue, b[k] as ReckonedValue),
    );
  return a === b;
};

describe.each([...REGISTRY.values()].map((r) => [r.id, r] as const))('%s', (_id, reckoning) => {
  const answer = explain(reckoning, reckoning.example.inputs);

  it('reckons its own worked example', () => {
    expect(isRefusal(answer) ? answer.refused : '').toBe('');
    if (!isRefusal(answer))
      expect(
        close(answer.value, reckoning.example.value),
        `${JSON.stringify(answer.value)} for ${JSON.stringify(reckoning.example.value)}`,
      ).toBe(true);
  });

  it('says its unit, formula and at least one source', () => {
    expect(reckoning.unit).not.toBe('');
    expect(reckoning.unit).not.toMatch(/(^|[^a-z])lb *($|\/)/);
    expect(reckoning.formula.length).toBeGreaterThan(0);
    expect(reckoning.sources.length).toBeGreaterThan(0);
    expect(reckoning.about.length).toBeGreaterThan(20);
  });

  it('prints steps that work out to what they say', () => {
    if (isRefusal(answer)) throw new Error(answer.refused);
    expect(answer.working.length).toBeGreaterThan(0);
    for (const step of answer.working) {
      const found = arithmetic(step.substituted);
      if (found === undefined || typeof step.value !== 'number') continue;
      expect(Math.abs(found - step.value), `${step.label}: ${step.substituted} = ${step.value}`).toBeLessThanOrEqual(
        1e-9 * Math.max(1, Math.abs(step.value)),
      );
    }
  });

  it('refuses a missing, mistyped, quoted, empty and endless input, each naming its field', () => {
    const good = reckoning.example.inputs as Record<string, unknown>;
    expect(explain(reckoning, { ...good, zzUnknown: 1 })).toMatchObject({ field: 'zzUnknown' });
    for (const [field, input] of Object.entries(reckoning.inputs as Record<string, Input>)) {
      const { [field]: _gone, ...rest } = good;
      if (!input.optional) expect(explain(reckoning, rest)).toMatchObject({ field });
      for (const bad of [null, Number.NaN, Number.POSITIVE_INFINITY, 'x', {}, '5.6'].filter(
        (b) => input.kind !== 'amounts' || typeof b !== 'object' || b === null,
      )) {
        expect(explain(reckoning, { ...good, [field]: bad }), `${field}: ${JSON.stringify(bad)}`).toMatchObject({
          field,
        });
      }
      if (input.kind === 'number') {
        if (input.min !== undefined)
          expect(explain(reckoning, { ...good, [field]: input.min - 0.001 })).toMatchObject({ field });
        if (input.max !== undefined)
          expect(explain(reckoning, { ...good, [field]: input.max + 0.001 })).toMatchObject({ field });
        if (input.above !== undefined)
          expect(explain(reckoning, { ...good, [field]: input.above })).toMatchObject({ field });
      }
    }
  });
});
