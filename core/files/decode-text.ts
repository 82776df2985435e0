/** How a file's bytes were read as text. */
export type Encoding = 'UTF-8' | 'UTF-16' | 'Windows-1252';

/**
 * Text of a file from a laboratory: UTF-8 or UTF-16 by its mark, UTF-8 where the bytes allow it, else Windows-1252, in which
 * older laboratory software writes. The bytes B5 67 2F 67 are "µg/g".
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: Encoding } {
  const [first, second] = bytes;
  if (first === 0xff && second === 0xfe) return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'UTF-16' };
  if (first === 0xfe && second === 0xff) return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'UTF-16' };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8' };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Windows-1252' };
  }
}
