import { createServer } from 'node:http';
import { join } from 'node:path';
import { createRequestHandler, type ServerBuild } from 'react-router';
import { application } from './application';

/** `npm start`: serves the production build. PORT and HOST say where; HOST=0.0.0.0 lets other machines in. */

/** A request that has not come whole by then is broken off, ms; how often that is looked at. */
const SLOWEST = { request: 15_000, headers: 10_000, look: 2_000 } as const;

const root = join(import.meta.dirname, '..');
process.env.NODE_ENV ??= 'production';
const build = (await import(join(root, 'build/server/index.js'))) as ServerBuild;
const port = Number(process.env.PORT ?? 4170);
const host = process.env.HOST ?? '127.0.0.1';
const server = createServer(
  { requestTimeout: SLOWEST.request, headersTimeout: SLOWEST.headers, connectionsCheckingInterval: SLOWEST.look },
  application(createRequestHandler(build, process.env.NODE_ENV), join(root, 'build/client')),
);
server.on('error', (fault: NodeJS.ErrnoException) => {
  console.error(
    fault.code === 'EADDRINUSE'
      ? `Port ${port} is taken. Try PORT=${port + 30} before the same command.`
      : `The server did not start: ${fault.message}`,
  );
  process.exit(1);
});
server.listen(port, host, () => console.log(`Ubertas at http://${host}:${port}`));
for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => {
    server.close();
    server.closeAllConnections();
  });
