import type { LocalCode, Site } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { setbackFt } from '@core/season/rules/local-codes';

/**
 * The site with water or a building drawn onto it. Water keeps the usual strip clear, or the wider one of a local code.
 * Answers with what was done, for the message.
 */
export function drawnOnSite(
  site: Site | undefined,
  what: 'water' | 'building',
  cornersFt: [number, number][],
  codes: readonly LocalCode[] = [],
): { site: Site; says: string } {
  if (what === 'building') {
    const context = site?.context ?? [];
    const id = newId(
      'building',
      context.map((c) => c.id),
    );
    return {
      site: { ...site, context: [...context, { id, name: 'building', cornersFt }] },
      says: 'The building is on the sheet.',
    };
  }
  const water = site?.water ?? [];
  const id = newId(
    'water',
    water.map((w) => w.id),
  );
  return {
    site: { ...site, water: [...water, { id, name: 'water', cornersFt, keptClearFt: setbackFt(codes) }] },
    says: 'The water and its strip are on the sheet.',
  };
}
