import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';

/** What a fresh clone on a fresh machine is missing, installed; quick where nothing is. */

const root = join(import.meta.dirname, '..');

export function run(command, args, options = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
  return done.status ?? 1;
}

/** npm packages exactly as locked. */
export function ensurePackages() {
  const installed = join(root, 'node_modules/.package-lock.json');
  const wanted = Object.entries(JSON.parse(readFileSync(join(root, 'package-lock.json'), 'utf8')).packages);
  if (existsSync(installed)) {
    const have = JSON.parse(readFileSync(installed, 'utf8')).packages;
    const missing = wanted.some(
      ([path, { version, optional, os, cpu }]) =>
        path !== '' && !optional && !os && !cpu && have[path]?.version !== version,
    );
    if (!missing) return;
  }
  console.log('Installing the packages of package-lock.json');
  if (run('npm', ['ci', '--no-audit', '--no-fund']) !== 0) {
    console.error('npm ci failed. Is a package registry reachable? Nothing else was done.');
    process.exit(1);
  }
}

const chromiumPath = () => [process.env.UBERTAS_CHROMIUM, '/usr/bin/chromium'].find((path) => path && existsSync(path));

/** Debian's Chromium, which the browser tests drive. Without root, says which command to run. */
export function ensureChromium() {
  if (chromiumPath()) return;
  const install = 'apt-get update && apt-get install -y --no-install-recommends chromium';
  if (process.getuid?.() !== 0) {
    console.error(
      `The browser tests need Debian's Chromium. Run this once, then again what you ran:\n\n  sudo sh -c '${install}'\n`,
    );
    process.exit(1);
  }
  console.log('Installing Chromium from Debian packages');
  if (
    run('sh', ['-c', install], {
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
      stdio: ['ignore', 'ignore', 'inherit'],
    }) !== 0 ||
    !chromiumPath()
  ) {
    console.error(`Chromium could not be installed. Try by hand: ${install}`);
    process.exit(1);
  }
}

const newest = (path) => {
  const found = readdirSync(path, { recursive: true, withFileTypes: true }).filter((entry) => entry.isFile());
  return found.map((entry) => join(entry.parentPath, entry.name));
};

/** Source files that the build depends on. */
const sources = () =>
  ['app', 'core', 'demo', 'public', 'standins']
    .filter((dir) => existsSync(join(root, dir)))
    .flatMap((dir) => newest(join(root, dir)));

/** The production build, made anew when a source is newer. */
export function ensureBuild() {
  const built = join(root, 'build/server/index.js');
  const worker = join(root, 'build/client/sw.js');
  const stale =
    !existsSync(built) ||
    !existsSync(worker) ||
    sources().some((file) => statSync(file).mtimeMs > statSync(built).mtimeMs);
  if (!stale) return;
  console.log('Building');
  if (run('npm', ['run', '--silent', 'build'], { stdio: ['ignore', 'ignore', 'inherit'] }) !== 0) process.exit(1);
}
