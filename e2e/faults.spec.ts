import { runTwoTabs } from './faults/kills-and-tabs';
import { runFaults, withShim } from './faults/run-faults';
import { expect, openCases, test, TODAY } from './ubertas-page';

/** A slice of `npm run faults`: an action of each page, and two tabs that save at the same moment. */
const SLICE = [
  'ground/keep',
  'ground/zones',
  'read/keep',
  'season/doses',
  'field/sign',
  'shelf/store',
  'home/remove',
  'climate/undo',
  'codes/save',
  'settings/packs',
];

test('a write that fails loses nothing, is said in words and leaves the page; of two tabs one is asked', async ({
  page,
  context,
}) => {
  await withShim(page);
  await openCases(page, 'quarry-lane-school', 'okonedo-residence');
  await expect(page.getByText('Opened: Okonedo residence.')).toBeVisible();
  const tallies = await runFaults(page, {
    only: ({ route, intent }) => SLICE.includes(`${route}/${intent}`),
    most: 1,
    kinds: ['commit', 'quota'],
  });
  expect(tallies.map(({ action }) => action).sort()).toEqual([...SLICE].sort());
  for (const { action, ...tally } of tallies)
    expect([action, tally]).toEqual([action, { tried: 2, said: 2, whole: 2, falseSuccess: 0, replaced: 0 }]);

  const other = await context.newPage();
  await other.clock.setFixedTime(new Date(`${TODAY}T09:00:00`));
  await withShim(other);
  await other.goto('/');
  await expect(other.getByRole('link', { name: 'Okonedo residence' })).toBeVisible();
  expect(await runTwoTabs(page, other, 5)).toEqual({ rounds: 5, one: 5, both: 0, none: 0 });
});
