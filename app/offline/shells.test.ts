import { describe, expect, it } from 'vitest';
import routes from '../routes';
import { isOfPattern, shellsOf } from './shells';

const SHELLS = shellsOf(routes);
const shellOf = (pathname: string) => SHELLS.find(({ pattern }) => isOfPattern(pathname, pattern))?.address;

describe('shells', () => {
  it.each([
    ['/', '/'],
    ['/shelf', '/shelf'],
    ['/shelf/', '/shelf'],
    ['/settings/codes', '/settings/codes'],
    ['/field', '/field'],
    ['/property/mill-race', '/property/-'],
    ['/property/a%2Fb/read', '/property/-/read'],
    ['/property/mill-race/season/climate', '/property/-/season/climate'],
    ['/property/mill-race/field', '/property/-/field'],
  ])('answer %s with the page of its kind', (pathname, address) => {
    expect(shellOf(pathname)).toBe(address);
  });
  it.each(['/nope', '/property', '/property/a/nope', '/demo-cases', '/simulated-weather', '/settle'])(
    'leave %s to the server',
    (pathname) => {
      expect(shellOf(pathname)).toBeUndefined();
    },
  );
  it('stand for every page that the routes know, each once', () => {
    const pages = (all: typeof routes extends Promise<infer T> ? T : typeof routes): string[] =>
      all.flatMap(({ file, path, children }) => [
        ...(file.endsWith('.tsx') && path !== '*' ? [file] : []),
        ...pages((children ?? []) as never),
      ]);
    // an index shares the address of the route it stands in
    expect(SHELLS).toHaveLength(pages(routes as never).filter((file) => !file.includes('to-ground')).length);
    expect(new Set(SHELLS.map(({ address }) => address)).size).toBe(SHELLS.length);
    for (const { address } of SHELLS) expect(address).not.toContain(':');
  });
});
