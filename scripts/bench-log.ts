import { performance } from 'node:perf_hooks';
import { foundLines, logLines } from '../core/log/log-lines';
import { correction, firstVersion, mergeVersions, recordsOf } from '../core/log/versions';
import { ledgerOf } from '../core/ledger/ledger';
import { withGiven } from '../core/log/applied';
import { labelOf } from '../core/log/label';
import type { Case, Product, RecordVersion } from '../core/records/case';
import { demoCase } from '../core/season/front-lawn.fixture';
import { addDays } from '../core/days/day';

/** The log's figures: ten thousand records folded, told as lines, searched and summed, fifty thousand versions merged. Part of `npm run bench`. */

const RECORDS = 10_000;
const VERSIONS = 50_000;

const school: Case = demoCase('quarry-lane-school');
const urea = school.products?.find(({ id }) => id === 'urea-46') as Product;

/** Invented records, the same every time: a third feedings, the rest mowings. */
const made = (count: number): RecordVersion[] =>
  Array.from({ length: count }, (_, i) => {
    const date = addDays('2020-01-01', i % 2800);
    const zoneIds = [school.zones[i % school.zones.length]?.id as string];
    const pen = { at: `${date}T10:00:00-05:00`, by: i % 2 ? 'A. Ruiz' : 'T. Osei' };
    return firstVersion(
      `r${i}`,
      i % 3 === 0
        ? { kind: 'feeding', date, zoneIds, product: labelOf(urea), spreadLb: 4 + (i % 7), operator: pen.by }
        : { kind: 'mowing', date, zoneIds, facts: { heightIn: 3 }, notes: `round ${i}`, operator: pen.by },
      pen,
    );
  });

/** The middle of five runs, ms. */
function middle(run: () => unknown): number {
  const times = Array.from({ length: 5 }, () => {
    const since = performance.now();
    run();
    return performance.now() - since;
  });
  return times.sort((a, b) => a - b)[2] as number;
}
const say = (what: string, ms: number) => process.stdout.write(`${what}: ${ms.toFixed(1)} ms\n`);

const records = made(RECORDS);
say(
  `${RECORDS} records folded to what counts`,
  middle(() => recordsOf([...records])),
);
say(
  `${RECORDS} records as lines of the list`,
  middle(() => logLines({ ...school, records: [...records] })),
);
const lines = logLines({ ...school, records });
say(
  `${RECORDS} lines searched for two words`,
  middle(() => foundLines(lines, { text: 'ruiz urea' })),
);
say(
  `${RECORDS} lines by kind, zone and year`,
  middle(() => foundLines(lines, { kind: 'feeding', zoneId: 'lime-walk', year: 2023 })),
);
say(
  `${RECORDS} records into the zones, and a year summed`,
  middle(() => ledgerOf(withGiven({ ...school, records: [...records] }), 2023, '2023-12-31')),
);
const half = made(VERSIONS / 2);
const [here, there] = [
  half,
  recordsOf(half).map((record) =>
    correction(record, record.body, 'measured again', { at: '2028-01-01T10:00:00Z', by: 'A. Ruiz' }),
  ),
];
say(
  `${VERSIONS} versions of two browsers merged`,
  middle(() => mergeVersions(here, there)),
);
