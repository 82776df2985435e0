import { readFileSync, writeFileSync } from 'node:fs';
import { addDays } from '../core/days/day';
import { labelOf } from '../core/log/label';
import { kindOfProduct } from '../core/runs/run-record';
import { correction, firstVersion, recordsOf, withdrawal } from '../core/log/versions';
import type { Case, Plan, Product, RecordBody, RecordVersion } from '../core/records/case';
import { planSeason } from '../core/season/draft/plan-season';
import { plannedDosesOf } from '../core/season/plan/planned-doses';
import { roundedTo } from '../core/words/numbers';

/**
 * Writes two years of invented records into a demo property: what its plans of 2025 and 2026 came to in the hands of two people. The same
 * every time it is run.
 */

const NAME = 'mill-race-cottages';
const PEOPLE = ['Priya Nand', 'Tomas Osei'] as const;
const { records: _records, plans: _plans, ...file } = JSON.parse(readFileSync(`demo/${NAME}.json`, 'utf8')) as Case;
const zoneIds = file.zones.map(({ id }) => id);
const productOf = (id: string) => file.products?.find((product) => product.id === id) as Product;
const moment = (date: string, hour = 10) => `${date}T${String(hour).padStart(2, '0')}:20:00-05:00`;

const records: RecordVersion[] = [];
const write = (recordId: string, body: RecordBody, hour?: number): RecordVersion => {
  const operator = PEOPLE[records.length % 3 === 2 ? 1 : 0];
  const version = firstVersion(recordId, { operator, ...body }, { at: moment(body.date, hour), by: operator });
  records.push(version);
  return version;
};

/** How the doses of a year went, one after the other: the share that went down and days after its Monday; nothing where it was missed. */
const WENT = [
  { share: 1.02, days: 1 },
  { share: 0.97, days: 3 },
  { share: 1.18, days: 2 },
  { share: 0.99, days: 0 },
  { share: 0.78, days: 9 },
  undefined,
  { share: 1.01, days: 4 },
] as const;

/** The property as it was known in the fall before a year: its plan was made from a report of then. */
const before = (year: number): Case => ({
  ...file,
  soilTests: file.soilTests?.map((test) => ({ ...test, sampledOn: `${year - 1}-10-05` })),
});

const plans: Plan[] = [2025, 2026].map((year) => {
  const doses = plannedDosesOf(planSeason(before(year), year), new Set()).map((dose) => ({
    ...dose,
    rateLb: roundedTo(dose.rateLb, 2),
  }));
  doses.forEach((dose, i) => {
    const went = WENT[(i + year) % WENT.length];
    const date = went && addDays(dose.date, went.days);
    if (!went || !date || date > `${year}-11-20`) return;
    const zone = file.zones.find(({ id }) => id === dose.zoneId);
    const product = productOf(dose.productId);
    const plannedLb = roundedTo((dose.rateLb * (zone?.areaSqFt ?? 0)) / 1000, 1);
    const spreadLb = roundedTo(plannedLb * went.share, 1);
    const backLb = 0.3;
    write(`${dose.date}-${dose.zoneId}-${dose.productId}`, {
      kind: kindOfProduct(product),
      date,
      startedAt: moment(date, 9),
      finishedAt: moment(date, 10),
      zoneIds: [dose.zoneId],
      zoneAreaSqFt: zone?.areaSqFt,
      planned: { year, date: dose.date, productId: dose.productId, rateLb: dose.rateLb, for: dose.for },
      product: labelOf(product),
      lot: `${String(year).slice(2)}-${String(41 + i)}`,
      plannedLb,
      weighedLb: roundedTo(spreadLb + backLb, 1),
      backLb,
      spreadLb,
      method: 'rotary',
      weather: { airF: 58 + ((i * 7) % 17), windMph: 3 + (i % 6), origin: 'typed' },
    });
  });
  for (let i = 0; i < 15; i++)
    write(`${year}-mowing-${i + 1}`, {
      kind: 'mowing',
      date: addDays(`${year}-04-14`, i * 13),
      zoneIds,
      facts: { heightIn: i > 4 && i < 10 ? 3.5 : 3, clippings: 'returned' },
    });
  for (let i = 0; i < 9; i++)
    write(`${year}-rain-${i + 1}`, {
      kind: 'rain',
      date: addDays(`${year}-04-03`, i * 23 + (i % 3)),
      zoneIds,
      facts: { depthIn: roundedTo(0.2 + ((i * 37) % 11) / 10, 2), gauge: 'tube gauge at the shed' },
    });
  for (let i = 0; i < 4; i++)
    write(`${year}-watering-${i + 1}`, {
      kind: 'watering',
      date: addDays(`${year}-06-24`, i * 16),
      zoneIds: [zoneIds[i % zoneIds.length] as string],
      facts: { depthIn: 0.5, minutes: 34 },
    });
  write(`${year}-aeration`, {
    kind: 'aeration',
    date: `${year}-09-17`,
    zoneIds,
    facts: { tool: 'hollow tines', depthIn: 3, holesPerSqFt: 9 },
  });
  write(`${year}-drought`, {
    kind: 'observation',
    date: `${year}-08-05`,
    zoneIds: [zoneIds[0] as string],
    facts: { words: ['drought'], severity: 4, sharePercent: 30 },
    notes: 'The bank browns first, along the curb.',
  });
  write(`${year}-green`, {
    kind: 'observation',
    date: `${year}-04-22`,
    zoneIds,
    facts: { words: ['full green'] },
  });
  write(`${year}-spreader`, {
    kind: 'maintenance',
    date: `${year}-03-19`,
    zoneIds,
    facts: { equipment: 'Rotary spreader' },
    notes: 'Gate cleaned and oiled, wheels pumped up.',
  });
  write(`${year}-note`, {
    kind: 'note',
    date: `${year}-07-12`,
    zoneIds: [zoneIds[1] as string],
    notes: 'Number 4 asks for a quiet day before the wedding: nothing is spread that week.',
  });
  return {
    id: `plan-${year}`,
    year,
    keptOn: `${year}-02-20`,
    products: undefined,
    solved: undefined,
    doses,
  };
});
write('2026-sample', {
  kind: 'soil-sample',
  date: '2026-09-28',
  zoneIds: [zoneIds[0] as string],
  facts: { sampleCode: 'RACE-0926' },
});

// one scale was misread, one record was written twice
const spread = recordsOf(records).filter(({ body }) => body.spreadLb !== undefined && body.date.startsWith('2026-'));
const [misread, second] = spread;
if (misread) {
  const { weighedLb = 0, backLb = 0 } = misread.body;
  records.push(
    correction(
      misread,
      { ...misread.body, backLb: roundedTo(backLb + 0.6, 1), spreadLb: roundedTo(weighedLb - backLb - 0.6, 1) },
      'read the scale wrong',
      { at: moment(misread.body.date, 16), by: PEOPLE[0] },
    ),
  );
}
if (second) {
  const again = write(`${second.recordId}-again`, second.body, 17);
  const [record] = recordsOf([again]);
  if (record) records.push(withdrawal(record, 'written twice', { at: moment(second.body.date, 18), by: PEOPLE[1] }));
}

writeFileSync(`demo/${NAME}.json`, `${JSON.stringify({ ...file, plans, records }, null, 2)}\n`);
process.stdout.write(`${records.length} versions\n`);
