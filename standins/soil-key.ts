/** A number for a text, so that a stand-in can know it again without being told it: the 32-bit FNV-1a hash (Fowler, Noll, Vo). */
export function hashOf(text: string): number {
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(text)) hash = Math.imul(hash ^ byte, 0x01000193);
  return hash >>> 0;
}

/** A number for the ground of a zone: the same zone always has the same soil in it. */
export const soilKey = (propertyId: string, zoneId: string): number => hashOf(`${propertyId}/${zoneId}`);
