import { createHeaders, sendResponse } from '@remix-run/node-fetch-server';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type RequestHandler } from 'express';
import { basename, join } from 'node:path';

/** Largest body of any request: what the simulated services are told fits many times over; no record of a customer is ever sent. */
const LARGEST_BODY_BYTES = 1_000_000;
const METHODS = ['GET', 'HEAD', 'POST'];
/** Directives for what is no page. Workers take theirs from their own file: they import chunks, fetch the solver and compile it. */
const FILE_POLICY = [
  "default-src 'none'",
  "script-src 'self' 'wasm-unsafe-eval'",
  "connect-src 'self'",
  "style-src 'unsafe-inline'",
  "frame-ancestors 'none'",
  "base-uri 'none'",
].join('; ');
/** Nothing of the browser's senses but the position, which a person may ask for when the ground is walked. */
const PERMISSIONS = [
  'accelerometer',
  'camera',
  'display-capture',
  'fullscreen',
  'gyroscope',
  'magnetometer',
  'microphone',
  'midi',
  'payment',
  'usb',
  'serial',
  'hid',
]
  .map((sense) => `${sense}=()`)
  .concat('geolocation=(self)')
  .join(', ');

/** The same on every answer: pages, data, files and refusals. A page puts its own policy, with its nonce, over this one. */
const guard: RequestHandler = (_request, response, next) => {
  response.set({
    'X-Content-Type-Options': 'nosniff',
    'Referrer-Policy': 'no-referrer',
    'Permissions-Policy': PERMISSIONS,
    'Cross-Origin-Opener-Policy': 'same-origin',
    'Cross-Origin-Resource-Policy': 'same-origin',
    'Content-Security-Policy': FILE_POLICY,
  });
  next();
};

const refuse = (response: express.Response, status: number, says: string) => {
  // what is left of a body that was not read must not be taken for the next request
  if (status !== 404) response.set('Connection', 'close');
  response.status(status).type('text/plain').send(`${says}\n`);
};

const onlyKnownMethods: RequestHandler = (request, response, next) => {
  if (METHODS.includes(request.method)) next();
  else {
    response.set('Allow', METHODS.join(', '));
    refuse(response, 405, `Ubertas answers ${METHODS.join(', ')}, not ${request.method}.`);
  }
};

const FAULTS: Record<string, [status: number, says: string]> = {
  'entity.too.large': [
    413,
    `A request to Ubertas carries at most ${LARGEST_BODY_BYTES / 1_000_000} MB; nothing was read.`,
  ],
  'encoding.unsupported': [415, 'A request to Ubertas is not compressed; nothing was read.'],
  'request.aborted': [400, 'The request broke off.'],
  'request.size.invalid': [400, 'The request is not as long as it says.'],
};

/** Anything that goes wrong before a page is asked, in a sentence; what is not the asker's fault is told here and not to them. */
const inWords: ErrorRequestHandler = (
  fault: { type?: string; status?: number; name?: string },
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(fault);
  const known = FAULTS[fault.type ?? ''];
  if (known) return refuse(response, ...known);
  if (fault.status === 404) return refuse(response, 404, 'There is no such file.');
  if (fault instanceof URIError || (fault.status ?? 500) < 500)
    return refuse(response, 400, 'The address cannot be read.');
  console.error(fault);
  return refuse(response, 503, 'Ubertas could not answer. Try again.');
};

/** The service worker is asked for each time: an old one would keep an old application. */
const neverAnOldWorker = (response: express.Response, path: string): void => {
  if (basename(path) === 'sw.js') response.set('Cache-Control', 'no-cache');
};

/**
 * The server: built files, and for the rest pages by `answer`, with a limit and plain headers before every door.
 *
 * @param answer the built application as a fetch handler
 * @param clientDir folder of the built files
 */
export function application(answer: (request: Request) => Promise<Response>, clientDir: string): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(guard, onlyKnownMethods, compression());
  app.use('/assets', express.static(join(clientDir, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }));
  app.use(express.static(clientDir, { maxAge: '1h', index: false, setHeaders: neverAnOldWorker }));
  app.use(express.raw({ type: () => true, limit: LARGEST_BODY_BYTES, inflate: false }));
  app.use((request, response, next) => {
    const work = async () => {
      const url = `${request.protocol}://${request.headers.host ?? 'localhost'}${request.originalUrl}`;
      if (!URL.canParse(url)) return refuse(response, 400, 'The address cannot be read.');
      const bare = request.method === 'GET' || request.method === 'HEAD';
      const body = !bare && Buffer.isBuffer(request.body) ? new Uint8Array(request.body) : undefined;
      await sendResponse(
        response,
        await answer(new Request(url, { method: request.method, headers: createHeaders(request), body })),
      );
    };
    work().catch(next);
  });
  app.use(inWords);
  return app;
}
