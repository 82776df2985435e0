import { readFileSync } from 'node:fs';
import { readCase } from '../core/files/case-file';
import { type Case, type Climate } from '../core/records/case';
import { isRefusal } from '../core/reckoning/refusal';

const GRASSES = ['tall-fescue', 'kentucky-bluegrass', 'perennial-ryegrass', 'fine-fescue'] as const;

/** Mild enough that nitrogen may go down in 36 weeks of the year. Invented. */
const MILD: Climate = {
  meanHighF: [53, 57, 62, 66, 70, 75, 79, 79, 75, 69, 60, 53],
  meanLowF: [39, 42, 45, 48, 52, 56, 60, 60, 56, 50, 44, 39],
  rainIn: [4, 3.4, 3.2, 2.6, 2.1, 1.6, 0.9, 1.1, 1.8, 3.1, 4.4, 4.6],
  lastFrost: '03-20',
  firstFrost: '11-20',
};

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
    property: { ...read.property, climate: MILD },
    codes: [],
    zones: copies.map((c) => c.zone),
    soilTests: copies.flatMap((c) => c.tests),
  };
}
