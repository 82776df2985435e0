import { mkdirSync, writeFileSync } from 'node:fs';
import { dirname } from 'node:path';
import { madeDocs } from './made-docs';

for (const [path, text] of madeDocs()) {
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, text);
  console.log(path);
}
