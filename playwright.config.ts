import { defineConfig } from '@playwright/test';

const PORT = 4179;

/** The real interface: the production build in Debian's headless Chromium. */
export default defineConfig({
  testDir: 'e2e',
  timeout: 120_000,
  // a cold page cache can make the first load of a page slow; nothing here is a measure of speed
  expect: { timeout: 20_000 },
  retries: 0,
  workers: 2,
  fullyParallel: true,
  forbidOnly: true,
  reporter: process.env.UBERTAS_COUNTS ? [['line'], ['json', { outputFile: process.env.UBERTAS_COUNTS }]] : [['line']],
  use: {
    baseURL: `http://127.0.0.1:${PORT}`,
    viewport: { width: 1280, height: 800 },
    // each test has a browser of its own: only the tests of working without network let it keep the application first
    serviceWorkers: 'block',
    launchOptions: {
      executablePath: process.env.UBERTAS_CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-dev-shm-usage',
        '--disable-gpu',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--no-first-run',
      ],
    },
    screenshot: 'off',
    trace: 'off',
  },
  webServer: {
    command: 'node --import tsx server/serve.ts',
    env: { PORT: String(PORT), HOST: '127.0.0.1', NODE_ENV: 'production' },
    url: `http://127.0.0.1:${PORT}/`,
    reuseExistingServer: false,
    stdout: 'ignore',
  },
});
