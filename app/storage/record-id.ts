/** Bytes of an id: enough that no two browsers ever make the same. */
const ID_BYTES = 10;

/**
 * A new id, made of chance: it stands in addresses, which a browser sends to the server, so no name may be read from it.
 *
 * @example randomId() might be 'p3f9c04d17ab2e685bc01'
 */
export const randomId = (): string =>
  `p${Array.from(crypto.getRandomValues(new Uint8Array(ID_BYTES)), (byte) => byte.toString(16).padStart(2, '0')).join('')}`;

/** Whether an id could be one of ours, and so tells nothing. */
export const isRandomId = (id: string): boolean => /^p[0-9a-f]{20}$/.test(id);

/**
 * The moment of a change, later than the one before it: what a record is known by when two tabs write it.
 *
 * @example stampAfter('2027-03-02T09:00:00.000Z') is at least '2027-03-02T09:00:00.001Z'
 */
export function stampAfter(before?: string): string {
  const earliest = before === undefined ? 0 : Date.parse(before) + 1;
  return new Date(Math.max(Date.now(), Number.isFinite(earliest) ? earliest : 0)).toISOString();
}
