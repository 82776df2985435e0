import { closest } from 'fastest-levenshtein';
import { boundsInWords, type Input, type Inputs, type NumberInput } from './inputs';
import { type Refusal, refuse } from './refusal';

const show = (value: unknown): string => {
  const text = typeof value === 'number' ? String(value) : (JSON.stringify(value) ?? String(value));
  return text.length > 40 ? `${text.slice(0, 37)}...` : text;
};

const sentenceStart = (label: string): string => label.charAt(0).toUpperCase() + label.slice(1);

/** Refuses keys nobody declared, naming the nearest one: a mistyped `bufferpH` must not be ignored. */
export function refuseUnknownKeys(known: readonly string[], given: object, where = ''): Refusal | undefined {
  for (const key of Object.keys(given)) {
    if (known.includes(key)) continue;
    const near = known.length > 0 ? ` The nearest known key is "${closest(key, known as string[])}".` : '';
    return refuse(where ? `${where}.${key}` : key, `"${key}" is not a known key${where ? ` of ${where}` : ''}.${near}`);
  }
  return undefined;
}

function checkNumber(field: string, input: NumberInput, value: unknown): Refusal | undefined {
  // the ordinary case first, without making a word: planning checks millions of these
  if (typeof value === 'number' && Number.isFinite(value)) {
    const { min, max, above } = input;
    const inside =
      (min === undefined || value >= min) &&
      (max === undefined || value <= max) &&
      (above === undefined || value > above);
    if (inside && (!input.integer || Number.isInteger(value))) return undefined;
    const named = sentenceStart(input.label);
    if (inside) return refuse(field, `${named} must be a whole number, not ${value}.`);
    const hint = input.hint ? ` ${input.hint}` : '';
    return refuse(field, `${named} must be ${boundsInWords(input)}; ${value} is not.${hint}`);
  }
  const named = sentenceStart(input.label);
  if (typeof value === 'string')
    return refuse(field, `${named} is text, ${show(value)}: write it as a plain number without quotes.`);
  if (typeof value !== 'number') return refuse(field, `${named} must be a number, not ${show(value)}.`);
  return refuse(field, `${named} must be an ordinary number: it is too large to reckon with.`);
}

function checkOne(field: string, input: Input, value: unknown): Refusal | undefined {
  if (input.kind === 'number') return checkNumber(field, input, value);
  if (input.kind === 'choice' && typeof value === 'string' && input.options.includes(value)) return undefined;
  const named = sentenceStart(input.label);
  switch (input.kind) {
    case 'choice':
      return refuse(field, `${named} must be one of ${input.options.join(', ')}; ${show(value)} is not.`);
    case 'numbers':
    case 'pairs': {
      if (!Array.isArray(value)) return refuse(field, `${named} must be a list, not ${show(value)}.`);
      if (value.length < input.leastCount)
        return refuse(field, `${named} needs at least ${input.leastCount}; ${value.length} given.`);
      for (const [at, item] of value.entries()) {
        const each: NumberInput = { kind: 'number', unit: input.unit, label: `${input.label}, number ${at + 1}` };
        if (input.kind === 'numbers') {
          const wrong = checkNumber(field, { ...each, min: input.min }, item);
          if (wrong) return wrong;
          continue;
        }
        if (!Array.isArray(item) || item.length !== 2 || Array.isArray(item[0]))
          return refuse(field, `${named}: point ${at + 1} must be a pair of numbers, not ${show(item)}.`);
        const wrong = checkNumber(field, each, item[0]) ?? checkNumber(field, each, item[1]);
        if (wrong) return wrong;
      }
      return undefined;
    }
    case 'amounts': {
      if (typeof value !== 'object' || value === null || Array.isArray(value))
        return refuse(field, `${named} must be named amounts, such as {"N": 32}, not ${show(value)}.`);
      for (const [key, amount] of Object.entries(value)) {
        const each: NumberInput = {
          kind: 'number',
          unit: input.unit,
          label: `${key} of the ${input.label}`,
          min: input.min,
          max: input.max,
        };
        const wrong = checkNumber(field, each, amount);
        if (wrong) return wrong;
      }
      return undefined;
    }
  }
}

/**
 * Checks raw values against the declared inputs: unknown keys, missing values, types, finiteness, bounds. The first
 * fault is the answer; nothing is corrected or clamped.
 */
export function checkInputs(declared: Inputs, raw: unknown): Refusal | undefined {
  if (typeof raw !== 'object' || raw === null || Array.isArray(raw))
    return refuse(
      '',
      `The inputs must be named values, such as {"${Object.keys(declared)[0]}": ...}, not ${show(raw)}.`,
    );
  return refuseUnknownKeys(Object.keys(declared), raw) ?? checkBounds(declared, raw as Record<string, unknown>);
}

/** The part of the check that typed code cannot do for itself: presence, finiteness and bounds. */
export function checkBounds(declared: Inputs, values: Record<string, unknown>): Refusal | undefined {
  for (const field in declared) {
    const input = declared[field] as Input;
    const value = values[field];
    if (value === undefined) {
      if (input.optional) continue;
      return refuse(field, `${sentenceStart(input.label)} (${field}) is missing.`);
    }
    const wrong = checkOne(field, input, value);
    if (wrong) return wrong;
  }
  return undefined;
}
