import * as yup from 'yup';
import { isRefusal, type Refusal, refuse } from '../reckoning/refusal';
import { parseJson } from './case-file';
import { type Product, productSchema } from '../records/product-schema';
import { checkShape, list, num, word } from '../records/strict-schema';
import { MOST } from '../records/most';

export const SHELF_FORMAT = 'ubertas-shelf';

export const shelfSchema = yup.object({
  format: word('Format', [SHELF_FORMAT]).required('This file does not say that it is a ubertas-shelf file.'),
  version: num('Version', { min: 1, max: 1, integer: true }).required('The file does not say its version.'),
  products: list('Products', productSchema, MOST.products).required('The file holds no list of products.'),
});

/** The text of a shelf file, indented so that a person can read it. */
export const printShelf = (products: readonly Product[]): string =>
  `${JSON.stringify({ format: SHELF_FORMAT, version: 1, products }, null, 2)}\n`;

/** Reads a shelf file whole, or refuses it with a sentence; a case file’s shelf can be read too. */
export function readShelf(source: string): Product[] | Refusal {
  const parsed = parseJson(source);
  if (isRefusal(parsed)) return parsed;
  const json = parsed.json as { format?: unknown; version?: unknown; products?: unknown } | null;
  if (typeof json !== 'object' || json === null || Array.isArray(json))
    return refuse('', 'This is not a shelf: a shelf file holds a list of products. Choose a file that Ubertas saved.');
  const given =
    json.format === 'ubertas-case' ? { format: SHELF_FORMAT, version: 1, products: json.products ?? [] } : json;
  if (typeof given.version === 'number' && given.version > 1)
    return refuse(
      'version',
      `The shelf was saved by a newer Ubertas (version ${given.version}). Update this one, then open it again.`,
    );
  const checked = checkShape(shelfSchema as unknown as yup.Schema<{ products: Product[] }>, given);
  if (isRefusal(checked)) return checked;
  const ids = checked.products.map((product) => product.id);
  const twin = ids.find((each, i) => ids.indexOf(each) !== i);
  return twin === undefined
    ? checked.products
    : refuse('products', `Two products share the id "${twin}". Each needs its own.`);
}
