import { spawn } from 'node:child_process';

/**
 * `npm run check`: what a change wants before it is committed, in under a minute from the second time on: types, lint of what
 * changed, and the core without its solver. Everything else is `npm test`.
 */
const STEPS = [
  [
    'Types',
    'npx',
    ['tsc', '-p', 'tsconfig.json', '--incremental', '--tsBuildInfoFile', 'node_modules/.cache/ubertas/types'],
  ],
  ['Lint', 'npm', ['run', '--silent', 'lint:types']],
  [
    'Core without the solver',
    'npx',
    [
      'vitest',
      'run',
      '--project',
      'core',
      '--exclude',
      'core/season/planner/**',
      '--exclude',
      'cli/**',
      '--exclude',
      'scripts/**',
    ],
  ],
];

const done = await Promise.all(
  STEPS.map(
    ([name, command, args]) =>
      new Promise((finish) => {
        const since = Date.now();
        let printed = '';
        const child = spawn(command, args, { cwd: new URL('..', import.meta.url) });
        child.stdout.on('data', (text) => (printed += text));
        child.stderr.on('data', (text) => (printed += text));
        child.on('close', (status) => {
          console.log(`${name}: ${status === 0 ? 'passed' : 'FAILED'}, ${((Date.now() - since) / 1000).toFixed(1)} s`);
          if (status !== 0) console.log(printed);
          finish(status === 0);
        });
      }),
  ),
);
process.exit(done.every(Boolean) ? 0 : 1);
