/**
 * A number for the ground of a zone, so that a stand-in can hand out the same soil again without being told any name: the
 * 32-bit FNV-1a hash (Fowler, Noll, Vo) of property and zone. The same zone always has the same soil in it.
 */
export function soilKey(propertyId: string, zoneId: string): number {
  let hash = 0x811c9dc5;
  for (const byte of new TextEncoder().encode(`${propertyId}/${zoneId}`)) hash = Math.imul(hash ^ byte, 0x01000193);
  return hash >>> 0;
}
