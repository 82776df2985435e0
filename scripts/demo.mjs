import { spawn } from 'node:child_process';
import { ensureBuild, ensurePackages } from './setup.mjs';

/** `npm run demo`: installs what is missing, builds when something changed, serves with the invented demo data. */

ensurePackages();

ensureBuild();

const port = process.env.PORT ?? '4170';
const server = spawn(process.execPath, ['--import', 'tsx', 'server/serve.ts'], {
  env: { ...process.env, PORT: port, HOST: process.env.HOST ?? '127.0.0.1', NODE_ENV: 'production', UBERTAS_DEMO: '1' },
  stdio: ['ignore', 'pipe', 'inherit'],
});
let said = false;
server.stdout.on('data', (text) => {
  if (said || !String(text).includes('http')) return;
  said = true;
  console.log(`\nUbertas with its invented demo properties: http://localhost:${port}\nStop with Ctrl C.`);
});
server.on('exit', (code) => {
  if (!said) console.error(`The server did not start. Is port ${port} taken? Try PORT=4200 npm run demo`);
  process.exit(code ?? 1);
});
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, () => server.kill(signal));
