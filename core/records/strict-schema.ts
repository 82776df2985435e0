import * as yup from 'yup';
import { isIsoDay, isMonthDay } from '../days/day';
import { refuseUnknownKeys } from '../reckoning/check-inputs';
import { type Refusal, refuse } from '../reckoning/refusal';

/**
 * Building blocks of the Yup schemas that files and forms share. Everything is strict: a number in quotes, a null or an
 * unknown key is refused with a sentence, never corrected.
 */

interface NumberRule {
  min?: number;
  max?: number;
  above?: number;
  unit?: string;
  integer?: boolean;
}

/** A finite number with bounds; `label` is what a person calls it. */
export function num(label: string, { min, max, above, unit = '', integer }: NumberRule = {}) {
  const u = unit ? ` ${unit}` : '';
  const range =
    min !== undefined && max !== undefined
      ? `between ${min} and ${max}${u}`
      : above !== undefined && max !== undefined
        ? `above ${above} and at most ${max}${u}`
        : min !== undefined
          ? `at least ${min}${u}`
          : above !== undefined
            ? `above ${above}${u}`
            : `at most ${max}${u}`;
  const says = `${label} must be ${range}; \${value}${u} is not.`;
  let rule = yup
    .number()
    .strict()
    .nonNullable(`${label} is empty: leave the key out or give a number.`)
    .typeError(`${label} must be a plain number${u ? ` in${u}` : ''}, without quotes or letters.`)
    .test('finite', `${label} is too large to reckon with.`, (v) => v === undefined || Number.isFinite(v));
  if (min !== undefined) rule = rule.min(min, says);
  if (max !== undefined) rule = rule.max(max, says);
  if (above !== undefined) rule = rule.moreThan(above, says);
  if (integer) rule = rule.integer(`${label} must be a whole number.`);
  return rule;
}

/** Text of at most `max` characters. */
export const text = (label: string, max = 200) =>
  yup
    .string()
    .strict()
    .nonNullable(`${label} is empty: leave the key out or give text.`)
    .typeError(`${label} must be text.`)
    .max(max, `${label} is longer than ${max} characters.`);

/** A record's own name within its file. */
export const id = (label: string) =>
  text(`${label} id`, 80).required(`${label} id is missing.`).min(1, `${label} id is empty.`);

/** One of a fixed set of words. */
export const word = <const O extends string>(label: string, options: readonly O[]) =>
  yup
    .string<O>()
    .strict()
    .nonNullable(`${label} is empty: leave the key out or choose one of ${options.join(', ')}.`)
    .typeError(`${label} must be one of ${options.join(', ')}.`)
    .oneOf(options, `${label} must be one of ${options.join(', ')}; "\${value}" is not.`);

export const yes = (label: string) => yup.boolean().strict().nonNullable().typeError(`${label} must be true or false.`);

/** An ISO day, 2027-03-02, that exists. */
export const isoDay = (label: string) =>
  text(label, 10).test('day', `${label} must be a day written like 2027-03-02.`, (v) => v === undefined || isIsoDay(v));

/** A month and day, 04-15, that exists in some year. */
export const monthDay = (label: string) =>
  text(label, 5).test(
    'month-day',
    `${label} must be a month and day written like 04-15.`,
    (v) => v === undefined || isMonthDay(v),
  );

/** An hour and minute of a day, 00:00 to 24:00. */
export const clockTime = (label: string) =>
  text(label, 5).test(
    'clock',
    `${label} must be a time written like 17:30.`,
    (v) => v === undefined || /^(?:[01]\d|2[0-3]):[0-5]\d$|^24:00$/.test(v),
  );

/** The moment of a record's last change, as it was written: 2027-03-02T09:00:00.000Z. Which of two records is newer follows from it. */
export const changedAt = () =>
  text('Last change', 24)
    .test(
      'moment',
      'Last change must be a moment written like 2027-03-02T09:00:00.000Z.',
      (v) => v === undefined || (/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d\.\d{3}Z$/.test(v) && isIsoDay(v.slice(0, 10))),
    )
    .optional();

export const list = <S extends yup.ISchema<unknown>>(label: string, of: S, most: number) =>
  yup
    .array(of as unknown as yup.Schema<S['__outputType']>)
    .strict()
    .nonNullable()
    .typeError(`${label} must be a list.`)
    .max(most, `${label} holds more than ${most} entries.`);

function unknownKey(schema: yup.AnySchema, value: unknown, path: string): Refusal | undefined {
  if (typeof value !== 'object' || value === null) return undefined;
  if (schema instanceof yup.ArraySchema && Array.isArray(value)) {
    const inner = schema.innerType as yup.AnySchema | undefined;
    if (!inner) return undefined;
    for (const [i, item] of value.entries()) {
      const wrong = unknownKey(inner, item, `${path}[${i}]`);
      if (wrong) return wrong;
    }
    return undefined;
  }
  if (schema instanceof yup.ObjectSchema && !Array.isArray(value)) {
    const fields = schema.fields as Record<string, yup.AnySchema>;
    if (Object.keys(fields).length === 0) return undefined;
    const wrong = refuseUnknownKeys(Object.keys(fields), value, path);
    if (wrong) return wrong;
    for (const [key, inner] of Object.entries(fields)) {
      if (!Object.hasOwn(value, key)) continue;
      const deeper = unknownKey(inner, (value as Record<string, unknown>)[key], path ? `${path}.${key}` : key);
      if (deeper) return deeper;
    }
  }
  return undefined;
}

/** Checks a value against a schema. The first fault is the refusal; `field` is the path to it. */
export function checkShape<T>(schema: yup.Schema<T>, value: unknown): T | Refusal {
  if (value === undefined || value === null)
    return refuse('', 'There is nothing in it: a record is wanted here. Choose another file, or type it anew.');
  const wrongKey = unknownKey(schema, value, '');
  if (wrongKey) return wrongKey;
  try {
    return schema.validateSync(value, { strict: true, abortEarly: true });
  } catch (fault) {
    if (fault instanceof yup.ValidationError) {
      const where = fault.path ?? '';
      return refuse(where, fault.message.startsWith(where) || !where ? fault.message : `${fault.message} (${where})`);
    }
    throw fault;
  }
}

/** Every fault at once, by path: what a form shows beside its fields. */
export function faultsByField(schema: yup.AnySchema, value: unknown): Record<string, string> {
  try {
    schema.validateSync(value, { strict: true, abortEarly: false });
    return {};
  } catch (fault) {
    if (!(fault instanceof yup.ValidationError)) throw fault;
    const faults: Record<string, string> = {};
    for (const each of fault.inner.length > 0 ? fault.inner : [fault]) faults[each.path ?? ''] ??= each.message;
    return faults;
  }
}
