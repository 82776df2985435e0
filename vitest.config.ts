import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    // on a busy machine loading a library can take seconds and a search minutes; no test here measures time
    testTimeout: 300_000,
    hookTimeout: 300_000,
    // the checks beside these tests end long before them
    maxWorkers: '100%',
    setupFiles: ['scripts/vitest-seed.fixture.ts'],
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          // pure functions: files of one worker share what they import, which takes longer than most of their tests
          isolate: false,
          include: ['core/**/*.test.ts', 'standins/**/*.test.ts', 'scripts/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'programs',
          environment: 'node',
          include: ['cli/**/*.test.ts', 'server/**/*.test.ts'],
        },
      },
      {
        extends: true,
        test: {
          name: 'storage',
          environment: 'node',
          include: ['app/**/*.test.ts'],
          setupFiles: ['fake-indexeddb/auto'],
        },
      },
      {
        extends: true,
        test: {
          name: 'ui',
          environment: 'jsdom',
          include: ['app/**/*.test.tsx'],
          setupFiles: ['app/ui/jsdom-setup.ts'],
        },
      },
    ],
  },
});
