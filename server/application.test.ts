import { createServer, request as httpRequest, type Server } from 'node:http';
import { type AddressInfo, connect } from 'node:net';
import { mkdirSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it, vi } from 'vitest';
import { application } from './application';

const ON_EVERY_ANSWER = {
  'x-content-type-options': 'nosniff',
  'referrer-policy': 'no-referrer',
  'permissions-policy': /camera=\(\)/,
  'content-security-policy': /frame-ancestors 'none'/,
};

let server: Server;
let port = 0;
const asked: { method: string; url: string; body: string }[] = [];

const answer = async (request: Request): Promise<Response> => {
  const { pathname } = new URL(request.url);
  if (pathname === '/breaks') throw new Error('a defect');
  asked.push({ method: request.method, url: request.url, body: await request.text() });
  return new Response('page', { headers: { 'Content-Type': 'text/html' } });
};

interface Answered {
  status: number;
  headers: Record<string, string | string[] | undefined>;
  text: string;
}
/** One request as it goes over the wire: fetch would mend what is to be sent broken. */
const ask = (path: string, options: { method?: string; headers?: Record<string, string>; body?: string } = {}) =>
  new Promise<Answered>((done, failed) => {
    const { method = 'GET', headers = {}, body } = options;
    const sent = httpRequest({ port, host: '127.0.0.1', path, method, headers }, (response) => {
      let text = '';
      response.setEncoding('utf8').on('data', (part: string) => (text += part));
      response.on('end', () => done({ status: response.statusCode ?? 0, headers: response.headers, text }));
    });
    sent.on('error', failed);
    sent.end(body);
  });

beforeAll(async () => {
  const dir = mkdtempSync(join(tmpdir(), 'ubertas-server-'));
  mkdirSync(join(dir, 'assets'));
  writeFileSync(join(dir, 'assets/worker.js'), 'postMessage(1)');
  writeFileSync(join(dir, 'mark.svg'), '<svg xmlns="http://www.w3.org/2000/svg"/>');
  server = createServer(
    { requestTimeout: 400, headersTimeout: 300, connectionsCheckingInterval: 100 },
    application(answer, dir),
  );
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

describe('the server', () => {
  beforeAll(() => {
    // a defect is told on the server, which here would only look like a failing test
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
  });
  it.each([
    ['a page', '/', 200],
    ['a file', '/mark.svg', 200],
    ['a worker', '/assets/worker.js', 200],
    ['a file that is not there', '/assets/none.js', 404],
    ['an address that cannot be read', '/assets/%E0%A4%A', 400],
    ['a way out of the folder', '/assets/..%2f..%2fpackage.json', 400],
    ['a defect', '/breaks', 503],
  ])('guards %s with the same headers', async (_what, path, status) => {
    const { headers, ...got } = await ask(path);
    expect(got.status).toBe(status);
    for (const [name, value] of Object.entries(ON_EVERY_ANSWER))
      expect(headers[name]).toEqual(value instanceof RegExp ? expect.stringMatching(value) : value);
    expect(headers['x-powered-by']).toBeUndefined();
  });
  it('hands a page its method, address and body, up to a megabyte', async () => {
    const body = 'a'.repeat(1_000_000);
    expect((await ask('/shelf?label=1', { method: 'POST', body })).status).toBe(200);
    expect(asked.at(-1)).toEqual({ method: 'POST', url: `http://127.0.0.1:${port}/shelf?label=1`, body });
  });
  it.each([
    ['a larger body', '/', { method: 'POST', body: 'a'.repeat(1_000_001) }, 413, 'at most 1 MB'],
    [
      'a larger body that does not say its length',
      '/shelf',
      { method: 'POST', headers: { 'Transfer-Encoding': 'chunked' }, body: 'a'.repeat(3_000_000) },
      413,
      'at most 1 MB',
    ],
    [
      'a compressed body',
      '/',
      { method: 'POST', headers: { 'Content-Encoding': 'gzip' }, body: 'x' },
      415,
      'not compressed',
    ],
    ['a method of another kind', '/', { method: 'TRACE' }, 405, 'not TRACE'],
    ['a host that is none', '/', { headers: { Host: 'a b' } }, 400, 'cannot be read'],
  ])('refuses %s in a sentence', async (_what, path, options, status, says) => {
    const before = asked.length;
    const got = await ask(path, options as Parameters<typeof ask>[1]);
    expect([got.status, got.text]).toEqual([status, expect.stringContaining(says)]);
    expect(asked).toHaveLength(before);
  });
  it('breaks off a body that does not come', async () => {
    const heard = await new Promise<string>((done) => {
      let text = '';
      const socket = connect(port, '127.0.0.1', () =>
        socket.write('POST / HTTP/1.1\r\nHost: a\r\nContent-Length: 100\r\n\r\nslow'),
      );
      socket.on('data', (part) => (text += String(part)));
      socket.on('close', () => done(text));
    });
    expect(heard).toContain('408');
  });
});
