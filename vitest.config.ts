import { defineConfig } from 'vitest/config';

export default defineConfig({
  resolve: { tsconfigPaths: true },
  test: {
    // on a busy machine loading a library can take seconds; no test here measures time
    testTimeout: 60_000,
    setupFiles: ['scripts/vitest-seed.fixture.ts'],
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          environment: 'node',
          include: [
            'core/**/*.test.ts',
            'cli/**/*.test.ts',
            'standins/**/*.test.ts',
            'scripts/**/*.test.ts',
            'server/**/*.test.ts',
          ],
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
