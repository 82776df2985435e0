import { build } from 'esbuild';
import { existsSync, mkdirSync, readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/**
 * Starts the command line. It is compiled once into one file and again when a source has changed: a batch of a hundred
 * thousand samples should not be run through a translator that rewraps every function.
 */

const root = join(import.meta.dirname, '..');
const out = join(root, 'node_modules/.cache/ubertas/ubertas.mjs');

const sources = ['core', 'cli'].flatMap((folder) =>
  readdirSync(join(root, folder), { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name)),
);
const built = existsSync(out) ? statSync(out).mtimeMs : 0;
if (sources.some((file) => statSync(file).mtimeMs > built)) {
  mkdirSync(join(out, '..'), { recursive: true });
  await build({
    entryPoints: [join(root, 'cli/ubertas.ts')],
    outfile: out,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    logLevel: 'error',
  });
}
await import(pathToFileURL(out).href);
