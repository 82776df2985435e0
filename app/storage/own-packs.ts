import { BUILT_IN_PACKS, type RulePacks, withPack } from '@core/packs/rule-packs';
import { isRefusal } from '@core/reckoning/refusal';
import { loadOwn } from './own-records';
import { database, type PackRecord, type UbertasDatabase } from './schema';

/** Own packs in the order in which they lie over each other. */
export const loadPacks = async (db: UbertasDatabase = database()): Promise<PackRecord[]> =>
  (await loadOwn('packs', db)).sort((a, b) => a.order - b.order || (a.id < b.id ? -1 : 1));

/** Whether a pack is laid over for a property; without a property, for all of them. */
export const holdsFor = (pack: PackRecord, propertyId: string | undefined): boolean =>
  !pack.off && (pack.properties === undefined || (propertyId !== undefined && pack.properties.includes(propertyId)));

/**
 * The shipped packs with some own ones laid over, the later over the earlier. A pack that a newer version of Ubertas would refuse is
 * left out: what ships holds in its place.
 */
export const laidOver = (packs: readonly PackRecord[]): RulePacks =>
  packs.reduce((laid, { file }) => {
    const next = withPack(laid, file);
    return isRefusal(next) ? laid : next;
  }, BUILT_IN_PACKS);

/** Kept by what they are laid from: whoever asks twice gets the same packs, so that what was reckoned by them is found again. */
const laid = new Map<string, RulePacks>();
const MOST_LAID = 8;

/** The packs by which a property is judged; without a property, those that hold for all. */
export async function packsHere(propertyId?: string, db: UbertasDatabase = database()): Promise<RulePacks> {
  const over = (await loadPacks(db)).filter((pack) => holdsFor(pack, propertyId));
  if (over.length === 0) return BUILT_IN_PACKS;
  const key = JSON.stringify(over.map(({ file }) => file));
  const packs = laid.get(key) ?? laidOver(over);
  laid.delete(key);
  laid.set(key, packs);
  for (const oldest of laid.keys()) {
    if (laid.size <= MOST_LAID) break;
    laid.delete(oldest);
  }
  return packs;
}
