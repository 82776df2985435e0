import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { launched } from './served.mjs';

/** `npm run icons`: the mark as the pictures that a phone's start screen asks for. Run after a change of public/mark.svg. */

const shown = join(import.meta.dirname, '../public');
const mark = readFileSync(join(shown, 'mark.svg'), 'utf8');
const paper = /fill="(#[0-9A-F]{6})"/.exec(mark)?.[1];
const browser = await launched();
/** A maskable picture may lose a tenth at each edge. */
for (const [file, size, share] of [
  ['icon-192.png', 192, 1],
  ['icon-512.png', 512, 1],
  ['icon-maskable.png', 512, 0.72],
]) {
  const page = await browser.newPage({ viewport: { width: size, height: size } });
  await page.setContent(
    `<style>body{margin:0;display:grid;place-items:center;height:100vh;background:${paper}}svg{width:${share * 100}vmin}</style>${mark}`,
  );
  await page.screenshot({ path: join(shown, file) });
  await page.close();
}
await browser.close();
