import { createCache, extractStyle, StyleProvider } from '@ant-design/cssinjs';
import { createReadableStreamFromReadable } from '@react-router/node';
import { randomBytes } from 'node:crypto';
import { PassThrough } from 'node:stream';
import { renderToPipeableStream } from 'react-dom/server';
import { type EntryContext, isRouteErrorResponse, ServerRouter } from 'react-router';
import { NonceContext } from './theme/nonce';

const RENDER_TIMEOUT_MS = 10_000;

/**
 * Scripts only from this server or with this response's nonce. Styles may be inline: antd and the drawing libraries set
 * them as they run, and no user text ever becomes markup.
 */
const policy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}'${import.meta.env.DEV ? " 'unsafe-inline'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    `connect-src 'self'${import.meta.env.DEV ? ' ws:' : ''}`,
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');

/** Renders the whole page, then puts antd's collected styles into its head. */
export default function handleRequest(
  request: Request,
  status: number,
  headers: Headers,
  context: EntryContext,
): Promise<Response> {
  const nonce = randomBytes(16).toString('base64');
  const cache = createCache();
  return new Promise((resolve, reject) => {
    let failed = status;
    const { pipe, abort } = renderToPipeableStream(
      <NonceContext.Provider value={nonce}>
        <StyleProvider cache={cache} layer>
          <ServerRouter context={context} url={request.url} nonce={nonce} />
        </StyleProvider>
      </NonceContext.Provider>,
      {
        nonce,
        onAllReady() {
          const body = new PassThrough();
          const chunks: Buffer[] = [];
          body.on('data', (chunk: Buffer) => chunks.push(chunk));
          body.on('end', () => {
            const html = Buffer.concat(chunks).toString('utf8');
            const styled = html.replace('</head>', () => `${extractStyle(cache)}</head>`);
            headers.set('Content-Type', 'text/html; charset=utf-8');
            headers.set('Content-Security-Policy', policy(nonce));
            const stream = createReadableStreamFromReadable(PassThrough.from([Buffer.from(styled)]) as PassThrough);
            resolve(new Response(stream, { headers, status: failed }));
          });
          pipe(body);
        },
        onShellError: reject,
        onError() {
          failed = 500;
        },
      },
    );
    setTimeout(abort, RENDER_TIMEOUT_MS).unref();
  });
}

/** Defects of ours are told on the server; a request for what is not there is the asker's, and answered. */
export function handleError(fault: unknown): void {
  if (!isRouteErrorResponse(fault)) console.error(fault);
}
