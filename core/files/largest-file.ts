import { roundedTo } from '../words/numbers';
import { type Refusal, refuse } from '../reckoning/refusal';

/** What files are read as, with the most that one of the kind honestly weighs, bytes, and what that holds. */
export const LARGEST = {
  /** One property with a hundred thousand reports of nine results each, a kilobyte apiece as it is printed, is about 100 MB. */
  case: { bytes: 400_000_000, holds: 'ten thousand properties do not fill' },
  table: { bytes: 80_000_000, holds: 'a hundred thousand samples do not fill' },
  shelf: { bytes: 40_000_000, holds: 'fifty thousand labels do not fill' },
  pack: { bytes: 4_000_000, holds: 'a few hundred rows do not fill' },
  climate: { bytes: 4_000_000, holds: 'sixty years of days do not fill' },
  ground: { bytes: 20_000_000, holds: 'two hundred lawns do not fill' },
} as const;
export type FileKind = keyof typeof LARGEST;

/**
 * Why a file of a kind is not read for its size, or undefined where it is.
 *
 * @example refuseSize('a.gpx', 30_000_000, 'ground') says that it is 30 MB where 20 are read at most
 */
export function refuseSize(name: string, bytes: number, kind: FileKind): Refusal | undefined {
  const { bytes: most, holds } = LARGEST[kind];
  if (bytes === 0) return refuse('', `${name} is empty. Choose another file.`);
  if (bytes > most)
    return refuse(
      '',
      `${name} is ${roundedTo(bytes / 1e6, 0)} MB: at most ${most / 1e6} MB are read, which ${holds}. It was not read.`,
    );
  return undefined;
}

/** Lists within lists of a file of ours are under ten deep; what is deeper is no such file, and would exhaust what walks it. */
const DEEPEST = 60;

/** Whether a JSON text nests deeper than any file of ours, told without building it. */
export function isTooDeep(source: string): boolean {
  let depth = 0;
  let quoted = false;
  for (let at = 0; at < source.length; at++) {
    const code = source.charCodeAt(at);
    if (quoted) {
      if (code === 0x5c) at++;
      else if (code === 0x22) quoted = false;
    } else if (code === 0x22) quoted = true;
    else if (code === 0x5b || code === 0x7b) {
      if (++depth > DEEPEST) return true;
    } else if (code === 0x5d || code === 0x7d) depth--;
  }
  return false;
}
