import { corpus } from './hostile/corpus';
import { runHostile } from './hostile/run-hostile';
import { expect, openCases, test } from './ubertas-page';

/** A slice of `npm run hostile`: of every door the files that once made it hang, and one that once was taken. */
const SLICE = [
  'case: 200,000 lists in lists',
  'case: an outline that crosses itself',
  'case: two plans of one id',
  'reports: 200,000 lists in lists',
  'reports: one line of ten megabytes',
  'reports: a million lines',
  'reports: a workbook that unpacks to a thousand times its size',
  'reports: a workbook with a million merged cells',
  'reports: a PDF whose pages are in a ring',
  'reports: a PDF that says a billion pages',
  'shelf: 20,000 labels of one name',
  'climate: a day that is none',
  'zones: 4,900 points',
  'zones: a million points',
  'track: 200,000 points',
];

test('files that mean harm are answered in words at every door, and the page goes on', async ({ page }) => {
  await openCases(page, 'okonedo-residence');
  await expect(page.getByText('Opened: Okonedo residence.')).toBeVisible();
  const files = corpus().filter(({ door, what }) => SLICE.includes(`${door}: ${what}`));
  expect(files).toHaveLength(SLICE.length);
  const outcomes = await runHostile(page, files, '/property/okonedo-residence');
  for (const { file, answer, replaced } of outcomes)
    expect([file.door, file.what, replaced, answer]).toEqual([
      file.door,
      file.what,
      false,
      expect.stringMatching(/\w{3,}/),
    ]);
});
