import { spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import ts from 'typescript';

/**
 * `npm run mutants [-- folder ...] [--solver] [--times 1.1]`: makes each number of a top-level constant of the core ten percent larger, one
 * at a time, in a copy of the project, and runs the tests that reach it. Lists what no test noticed: a constant nobody checks
 * is a constant anybody can change. The solver's tests are left out unless asked for. An hour for the whole core; not in CI.
 */
const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: { solver: { type: 'boolean' }, times: { type: 'string', default: '1.1' } },
});
const times = Number(values.times);
const root = join(import.meta.dirname, '..');

/** Numbers of top-level constants: not what stands in a function, an example, or the declaration of a reckoning. */
function numbersOf(file) {
  const text = readFileSync(join(root, file), 'utf8');
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true);
  const found = [];
  const walk = (node, name) => {
    if (ts.isFunctionLike(node) || ts.isCallExpression(node)) return;
    if (ts.isNumericLiteral(node) && Number(node.text) !== 0)
      found.push({ file, name, at: node.getStart(), end: node.end, value: Number(node.text) });
    ts.forEachChild(node, (child) => walk(child, name));
  };
  for (const statement of source.statements)
    if (ts.isVariableStatement(statement))
      for (const { name, initializer } of statement.declarationList.declarations)
        if (initializer) walk(initializer, name.getText());
  return found;
}

const folders = positionals.length > 0 ? positionals : ['core'];
const files = folders
  .flatMap((folder) =>
    folder.endsWith('.ts')
      ? [folder]
      : readdirSync(join(root, folder), { recursive: true }).map((file) => join(folder, file)),
  )
  .filter((file) => file.endsWith('.ts') && !/\.(test|fixture)\.ts$/.test(file))
  .sort();
const mutants = files.flatMap(numbersOf);

const copy = mkdtempSync(join(tmpdir(), 'ubertas-mutants-'));
process.on('exit', () => rmSync(copy, { recursive: true, force: true }));
process.on('SIGINT', () => process.exit(130));
for (const part of ['core', 'cli', 'standins', 'demo', 'app', 'package.json', 'tsconfig.json', 'vitest.config.ts'])
  cpSync(join(root, part), join(copy, part), { recursive: true });
symlinkSync(join(root, 'node_modules'), join(copy, 'node_modules'));

const survivors = [];
console.log(`${mutants.length} numbers in ${files.length} files`);
for (const [i, { file, name, at, end, value }] of mutants.entries()) {
  const text = readFileSync(join(root, file), 'utf8');
  const changed = Number((value * times).toPrecision(12));
  writeFileSync(join(copy, file), text.slice(0, at) + changed + text.slice(end));
  const { status } = spawnSync(
    'npx',
    [
      ...['vitest', 'related', file, '--run', '--bail', '1', '--project', 'core', '--passWithNoTests'],
      ...['--exclude', 'cli/**', ...(values.solver ? [] : ['--exclude', 'core/season/planner/**'])],
    ],
    { cwd: copy, stdio: 'ignore' },
  );
  writeFileSync(join(copy, file), text);
  const line = text.slice(0, at).split('\n').length;
  if (status === 0) {
    survivors.push(`${file}:${line} ${name}: ${value} -> ${changed}`);
    console.log(`${i + 1}/${mutants.length} LIVES ${survivors.at(-1)}`);
  }
}
console.log(`\n${survivors.length} of ${mutants.length} live:\n${survivors.join('\n')}`);
