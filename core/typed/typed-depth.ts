import { CM_PER_INCH } from '../units/conversions';

const FRACTIONS: Record<string, number> = { '½': 0.5, '⅔': 2 / 3, '⅓': 1 / 3, '¼': 0.25, '¾': 0.75 };

function plainNumber(text: string): number {
  const mixed = /^(\d+)?\s*(\d+)\/(\d+)$/.exec(text);
  if (mixed) return Number(mixed[1] ?? 0) + Number(mixed[2]) / Number(mixed[3]);
  const sign = text.at(-1) ?? '';
  if (sign in FRACTIONS) return Number(text.slice(0, -1).trim() || 0) + (FRACTIONS[sign] as number);
  return Number(text.replace(',', '.'));
}

/** A sampling depth as laboratories state it, to inches; undefined where it is none. `0-4 in` is 4, `0-10 cm` 3.94, `6 2/3` 6.67. */
export function depthFrom(text: string, inchesPerUnit = 1): number | undefined {
  const bare = text.trim().toLowerCase();
  const cm = /\bcm\b|\dcm/.test(bare);
  const figures = bare
    .replace(/(cm|inches|inch|in|"|″)\.?/g, '')
    .replace(/^0\s*(?:-|–|to|bis|a|à)\s*/, '')
    .trim();
  const value = plainNumber(figures);
  if (!Number.isFinite(value) || figures === '') return undefined;
  return cm ? value / CM_PER_INCH : value * inchesPerUnit;
}
