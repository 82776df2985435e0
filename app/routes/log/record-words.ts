import { KINDS, spreadsProduct } from '@core/log/kinds';
import type { RecordBody, RecordFacts } from '@core/records/case';
import type { Units } from '../../ui/format';
import { amountOut } from '../../work/amount-out';
import { FACT_FIELDS } from './typed-record';

/** A fact as it is read: 'Mown to 3.00 in'. */
function factSays(fact: keyof RecordFacts, value: unknown, units: Units): string {
  const field = FACT_FIELDS[fact];
  if (field.is === 'yes') return field.label.toLowerCase();
  if (Array.isArray(value)) return value.join(', ');
  if (field.is === 'number' && typeof value === 'number') {
    const said = field.quantity
      ? units.say(field.quantity, value, field.unit ?? '')
      : `${units.plain(value, 2)}${field.unit ? ` ${field.unit}` : ''}`;
    return `${field.label.toLowerCase()} ${said}`;
  }
  return field.is === 'text' && ['Notes', 'Symptom'].includes(field.label)
    ? String(value)
    : `${field.label.toLowerCase()} ${String(value).replaceAll('-', ' ')}`;
}

/** What a record is about, in a line: the product, or the kind with its facts. */
export function whatSays(body: RecordBody, units: Units): string {
  if (spreadsProduct(body.kind)) return body.product?.name ?? KINDS[body.kind].title;
  const facts = Object.entries(body.facts ?? {}).map(([fact, value]) =>
    fact === 'productName' ? String(value) : factSays(fact as keyof RecordFacts, value, units),
  );
  return [KINDS[body.kind].title, ...facts].join(', ');
}

export const spreadSays = (body: RecordBody, units: Units): string =>
  body.spreadLb === undefined ? '' : amountOut(units, body.product?.lbPerGal).say(body.spreadLb);
