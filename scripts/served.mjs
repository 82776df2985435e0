import { chromium } from '@playwright/test';
import { spawn } from 'node:child_process';

/** The production build served on a port of its own, and Debian's Chromium beside it: what every measuring script begins with. */

/** Where Chromium is, and how it runs without a monitor. */
export const CHROMIUM = {
  executablePath: process.env.UBERTAS_CHROMIUM ?? '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-dev-shm-usage', '--disable-gpu'],
};

/** Serves the build until the script ends, and answers with its origin once it listens. */
export async function served(port, env = {}) {
  const server = spawn(process.execPath, ['--import', 'tsx', 'server/serve.ts'], {
    env: { ...process.env, PORT: String(port), HOST: '127.0.0.1', NODE_ENV: 'production', ...env },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  process.on('exit', () => server.kill());
  await new Promise((ready) => server.stdout.on('data', (text) => String(text).includes('http') && ready()));
  return `http://127.0.0.1:${port}`;
}

export const launched = () => chromium.launch(CHROMIUM);
