import { spawn } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import { ensureChromium, ensurePackages, run } from './setup.mjs';

/**
 * `npm test`: installs what is missing and runs everything, then says one plain line over all runners. The checks that run on
 * one core go beside the unit tests, which leave much of the second core idle.
 */

ensurePackages();
ensureChromium();

const out = 'test-results';
rmSync(out, { recursive: true, force: true });
mkdirSync(out, { recursive: true });

const counts = { passed: 0, failed: 0, skipped: 0 };
/** What failed, by name: said once more at the end, because the end is what people and machines keep. */
const failed = [];
const seconds = (since) => `${((Date.now() - since) / 1000).toFixed(1)} s`;
const root = new URL('..', import.meta.url);

/** Runs a command and gathers what it prints, so that two at a time do not print into each other. */
const gathered = (command, args, options = {}) =>
  new Promise((done) => {
    let printed = '';
    const child = spawn(command, args, { cwd: root, ...options });
    child.stdout.on('data', (text) => (printed += text));
    child.stderr.on('data', (text) => (printed += text));
    child.on('close', (status) => done({ status: status ?? 1, printed }));
  });

/** A check that is one thing: it passes or fails as a whole. */
async function check(name, script) {
  const since = Date.now();
  const { status, printed } = await gathered('npm', ['run', '--silent', script]);
  const ok = status === 0;
  counts[ok ? 'passed' : 'failed']++;
  if (!ok) failed.push(`${name}\n${printed.trim().split('\n').slice(-20).join('\n')}`);
  console.log(`\n${name}: ${ok ? 'passed' : 'FAILED'}, ${seconds(since)}`);
  if (!ok) console.log(printed.trim());
  return ok;
}

/** A runner of many tests, counted from its own report. */
function counted(name, status, read) {
  try {
    const found = read();
    counts.passed += found.passed;
    counts.failed += found.failed;
    counts.skipped += found.skipped;
    failed.push(...found.names);
    // a runner that fails without a failing test (a crash, no test found) is a failure all the same
    if (status !== 0 && found.failed === 0) {
      counts.failed++;
      failed.push(`${name}: ended with ${status} without a failing test`);
    }
  } catch (fault) {
    console.error(`${name} left no report: ${fault.message}`);
    counts.failed++;
    failed.push(`${name}: no report`);
  }
}

async function unitTests() {
  const since = Date.now();
  const { status, printed } = await gathered('npx', [
    'vitest',
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${out}/unit.json`,
  ]);
  console.log(printed);
  counted('Unit tests', status, () => {
    const report = JSON.parse(readFileSync(`${out}/unit.json`, 'utf8'));
    const files = report.testResults
      .map(({ name, startTime, endTime }) => ({
        name: name.replace(root.pathname, ''),
        s: (endTime - startTime) / 1000,
      }))
      .sort((a, b) => b.s - a.s);
    console.log(
      `Slowest: ${files
        .slice(0, 5)
        .map(({ name, s }) => `${name} ${s.toFixed(0)} s`)
        .join(', ')}`,
    );
    return {
      passed: report.numPassedTests,
      failed: report.numFailedTests,
      names: report.testResults.flatMap(({ name, assertionResults }) =>
        assertionResults
          .filter((each) => each.status === 'failed')
          .map(
            (each) =>
              `${name.replace(root.pathname, '')} › ${each.fullName}\n${each.failureMessages.join('\n').slice(0, 1500)}`,
          ),
      ),
      skipped: report.numTotalTests - report.numPassedTests - report.numFailedTests,
    };
  });
  console.log(`Unit tests: ${seconds(since)}`);
}

async function checks() {
  await check('Types', 'types');
  await check('Lint', 'lint');
  await check('Format', 'format:check');
  await check('Import rules', 'imports');
  await check('Unused code', 'unused');
  // what is known of other people's packages changes from day to day and is no property of a commit: told, not counted
  console.log(`\nPackage audit: ${(await gathered('npm', ['run', '--silent', 'audit:packages'])).printed.trim()}`);
  return check('Production build', 'build:quiet');
}

console.log('Unit tests, and beside them types, lint, format, import rules, unused code and the production build');
const [built] = await Promise.all([checks(), unitTests()]);
if (built) {
  const since = Date.now();
  console.log('\nBrowser tests');
  const status = run('npx', ['playwright', 'test'], {
    env: { ...process.env, UBERTAS_COUNTS: `${out}/browser.json` },
  });
  counted('Browser tests', status, () => {
    const { stats, suites } = JSON.parse(readFileSync(`${out}/browser.json`, 'utf8'));
    const specsOf = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specsOf)];
    return {
      passed: stats.expected,
      failed: stats.unexpected + stats.flaky,
      skipped: stats.skipped,
      names: suites
        .flatMap(specsOf)
        .filter((spec) => !spec.ok)
        .map((spec) => {
          const errors = spec.tests.flatMap((test) => test.results.flatMap((result) => result.errors));
          return `${spec.file} › ${spec.title}\n${errors
            .map((error) => error.message)
            .join('\n')
            .slice(0, 1500)}`;
        }),
    };
  });
  console.log(`Browser tests: ${seconds(since)}`);
}

for (const each of failed) console.log(`\nFAILED: ${each}`);
console.log(`\n${counts.passed} passed, ${counts.failed} failed, ${counts.skipped} skipped`);
process.exit(counts.failed === 0 ? 0 : 1);
