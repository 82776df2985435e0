import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureChromium, ensurePackages, run } from './setup.mjs';

/** `npm test`: installs what is missing and runs everything, then says one plain line over all runners. */

ensurePackages();
ensureChromium();

const out = 'test-results';
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

const counts = { passed: 0, failed: 0, skipped: 0 };
const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(1)} s`;

/** A check that is one thing: it passes or fails as a whole. */
function check(name, script) {
  const since = Date.now();
  console.log(`\n${name}`);
  const ok = run('npm', ['run', '--silent', script]) === 0;
  counts[ok ? 'passed' : 'failed']++;
  console.log(`${name}: ${ok ? 'passed' : 'FAILED'}, ${seconds(since)}`);
  return ok;
}

/** A runner of many tests, counted from its own report. */
function runner(name, args, env, read) {
  const since = Date.now();
  console.log(`\n${name}`);
  const status = run('npx', args, { env: { ...process.env, ...env } });
  try {
    const found = read();
    counts.passed += found.passed;
    counts.failed += found.failed;
    counts.skipped += found.skipped;
    // a runner that fails without a failing test (a crash, no test found) is a failure all the same
    if (status !== 0 && found.failed === 0) counts.failed++;
  } catch (fault) {
    console.error(`${name} left no report: ${fault.message}`);
    counts.failed++;
  }
  console.log(`${name}: ${seconds(since)}`);
}

check('Types', 'types');
check('Lint', 'lint');
check('Format', 'format:check');
check('Import rules', 'imports');
runner(
  'Unit tests',
  ['vitest', 'run', '--reporter=default', '--reporter=json', `--outputFile.json=${out}/unit.json`],
  {},
  () => {
    const report = JSON.parse(readFileSync(`${out}/unit.json`, 'utf8'));
    return {
      passed: report.numPassedTests,
      failed: report.numFailedTests,
      skipped: report.numPendingTests + report.numTodoTests,
    };
  },
);
if (check('Production build', 'build:quiet')) {
  runner('Browser tests', ['playwright', 'test'], { UBERTAS_COUNTS: `${out}/browser.json` }, () => {
    const { stats } = JSON.parse(readFileSync(`${out}/browser.json`, 'utf8'));
    return { passed: stats.expected, failed: stats.unexpected + stats.flaky, skipped: stats.skipped };
  });
}

console.log(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
process.exit(counts.failed === 0 ? 0 : 1);
