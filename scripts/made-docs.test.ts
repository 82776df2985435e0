import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { madeDocs } from './made-docs';

describe('documents made from the code', () => {
  it.each([...madeDocs()])('%s has not drifted (npm run docs:write)', (path, text) => {
    expect(readFileSync(path, 'utf8')).toBe(text);
  });
});
