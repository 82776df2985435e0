import { build } from 'esbuild';
import { createHash } from 'node:crypto';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { injectManifest } from 'workbox-build';
import { shellsOf } from '../app/offline/shells';
import routes from '../app/routes';

/** After the build: bundles the service worker and tells it every file of the build and every page shell. */

const root = join(import.meta.dirname, '..');
const client = join(root, 'build/client');
const server = join(root, 'build/server/index.js');
const bundled = join(root, 'build/service-worker.js');
/** Larger files are not kept: none of ours is. */
const LARGEST_BYTES = 8_000_000;

const shells = shellsOf(await routes);
await build({
  entryPoints: [join(root, 'app/offline/service-worker.ts')],
  outfile: bundled,
  bundle: true,
  minify: true,
  format: 'iife',
  target: 'es2022',
  define: { SHELLS: JSON.stringify(shells), 'process.env.NODE_ENV': '"production"' },
  logLevel: 'warning',
});
// the pages are drawn by the server: another build of it draws other pages
const revision = createHash('sha256').update(readFileSync(server)).digest('hex').slice(0, 16);
const { count, size, warnings } = await injectManifest({
  swSrc: bundled,
  swDest: join(client, 'sw.js'),
  globDirectory: client,
  globPatterns: ['**/*.{js,css,woff2,ttf,wasm,svg,png,webmanifest}'],
  globIgnores: ['sw.js'],
  maximumFileSizeToCacheInBytes: LARGEST_BYTES,
  // built files carry their own hash in the name
  dontCacheBustURLsMatching: /^assets\//,
  additionalManifestEntries: shells.map(({ address }) => ({ url: address, revision })),
});
rmSync(bundled);
for (const each of warnings) console.warn(each);
if (!process.argv.includes('--quiet'))
  console.log(`Works without network: ${count} files and pages, ${(size / 1e6).toFixed(1)} MB.`);
if (warnings.length > 0) process.exit(1);
