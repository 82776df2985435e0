import { readFileSync } from 'node:fs';
import { type Case, readCase } from '../core/formats/case';
import { isRefusal } from '../core/reckoning/refusal';

const GRASSES = ['tall-fescue', 'zoysiagrass', 'kentucky-bluegrass', 'bermudagrass'] as const;

/** An invented property of so many zones on the twelve products of the demo shelf. */
export function benchProperty(zones: number): Case {
  const read = readCase(readFileSync('demo/quarry-lane-school.json', 'utf8'));
  if (isRefusal(read)) throw new Error(read.refused);
  const kinds = ['south-lawn', 'playing-strip'];
  const copies = Array.from({ length: zones }, (_, i) => {
    const kind = kinds[i % kinds.length] as string;
    const zone = read.zones.find((z) => z.id === kind);
    if (!zone) throw new Error(`no ${kind} in the demo`);
    return {
      zone: {
        ...zone,
        id: `zone-${i}`,
        name: `Zone ${i + 1}`,
        grass: GRASSES[i % GRASSES.length] as (typeof GRASSES)[number],
        areaSqFt: 3000 + 1700 * (i % 5),
      },
      tests: (read.soilTests ?? [])
        .filter((t) => t.zoneId === kind)
        .map((t) => ({ ...t, id: `${t.id}-${i}`, zoneId: `zone-${i}` })),
    };
  });
  return {
    ...read,
    zones: copies.map((c) => c.zone),
    soilTests: copies.flatMap((c) => c.tests),
  };
}
