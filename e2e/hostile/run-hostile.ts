import type { Page } from '@playwright/test';
import { type Door, type Hostile } from './corpus';

/** What a file came to: its answer in words, how long it took and how long the page stood still at most, ms. */
export interface Outcome {
  file: Hostile;
  answer: string;
  ms: number;
  stillMs: number;
  replaced: boolean;
}

/** How long an answer is waited for, ms. */
const LONGEST_MS = 30_000;

const NAMES: Record<Door, { label: string; name: string }> = {
  case: { label: 'Case file or backup', name: 'hostile.json' },
  reports: { label: 'Report file', name: 'hostile.csv' },
  shelf: { label: 'Shelf file', name: 'hostile.csv' },
  climate: { label: 'Climate table', name: 'hostile.csv' },
  zones: { label: 'Zones file', name: 'hostile.geojson' },
  track: { label: 'Walked track file', name: 'hostile.gpx' },
};

/** Brings the page to a door, where it is not there already. */
async function open(page: Page, door: Door, property: string): Promise<void> {
  const at = {
    case: '/',
    reports: '/reports',
    shelf: '/shelf',
    climate: `${property}/season/climate`,
    zones: `${property}/ground`,
    track: `${property}/ground`,
  };
  await page.goto(at[door]);
  await page.locator('h1').first().waitFor();
  if (door === 'shelf') await page.getByRole('button', { name: 'Import or export' }).click();
  if (door === 'climate') await page.getByText('Table', { exact: true }).click();
  if (door === 'zones') await page.getByRole('button', { name: /^Zones file/ }).click();
  if (door === 'track') await page.getByRole('button', { name: /^Walked track/ }).click();
  await page.getByLabel(NAMES[door].label, { exact: true }).waitFor({ state: 'attached' });
}

/** Gives a file to the door that is open, and waits for what the page says of it. */
async function give(page: Page, file: Hostile): Promise<Outcome> {
  const { label, name } = NAMES[file.door];
  const input = page.getByLabel(label, { exact: true });
  const heading = await page.locator('h1').first().textContent();
  const began = await input.evaluate(
    (element, { parts, name }) => {
      const text = parts.map((part) =>
        typeof part === 'string'
          ? part
          : 'base64' in part
            ? Uint8Array.from(atob(part.base64 as string), (letter) => letter.charCodeAt(0))
            : part[0].repeat(part[1]),
      );
      const files = new DataTransfer();
      files.items.add(new File(text, name));
      const field = element as HTMLInputElement;
      const watch = { still: 0, last: performance.now(), began: performance.now(), answer: '', at: 0 };
      (window as unknown as { hostile: typeof watch }).hostile = watch;
      const stands = new Set(
        Array.from(document.querySelectorAll('.fault, [role=dialog] h3, section.found, .ant-message-notice')).map(
          (e) => e.textContent,
        ),
      );
      const tick = () => {
        const now = performance.now();
        watch.still = Math.max(watch.still, now - watch.last);
        watch.last = now;
        const said = Array.from(
          document.querySelectorAll(
            '.fault, .brought, .doubted, section.found, table.found, .ant-message-notice, table.mapping, .opened, [aria-label=Typing] > p',
          ),
        ).find((e) => (e.textContent ?? '') !== '' && !stands.has(e.textContent));
        const turned = document.querySelector('h1')?.textContent;
        if (said && watch.at === 0) {
          watch.answer = (said.textContent ?? '').slice(0, 160);
          watch.at = now;
        } else if (watch.at === 0 && turned === 'Reading a report') {
          watch.answer = turned;
          watch.at = now;
        }
        if (watch.at === 0 || now - watch.at < 300) setTimeout(tick, 16);
      };
      field.files = files.files;
      watch.began = watch.last = performance.now();
      tick();
      field.dispatchEvent(new Event('change', { bubbles: true }));
      return watch.began;
    },
    { parts: file.parts as (string | [string, number] | { base64: string })[], name },
  );
  await page
    .waitForFunction(() => (window as unknown as { hostile: { at: number } }).hostile.at > 0, undefined, {
      timeout: LONGEST_MS,
      polling: 50,
    })
    .catch(() => undefined);
  await page.waitForTimeout(350);
  const seen = await page.evaluate(
    () => (window as unknown as { hostile: { still: number; at: number; answer: string } }).hostile,
  );
  const now = await page.locator('h1').first().textContent();
  return {
    file,
    answer: seen.answer,
    ms: seen.at > 0 ? seen.at - began : Number.POSITIVE_INFINITY,
    stillMs: seen.still,
    replaced: now !== heading && /stopped|failed/.test(now ?? ''),
  };
}

/** Gives every file to its door and says what came of each. */
export async function runHostile(
  page: Page,
  files: readonly Hostile[],
  property: string,
  onOutcome: (outcome: Outcome) => void = () => undefined,
): Promise<Outcome[]> {
  const outcomes: Outcome[] = [];
  for (const file of files) {
    await open(page, file.door, property);
    const outcome = await give(page, file);
    outcomes.push(outcome);
    onOutcome(outcome);
  }
  return outcomes;
}
