import { expect, test } from '@playwright/test';

/** What the built server answers to requests that nobody of ours sends. No page is opened. */

const PATHS = [
  '/',
  '/property/a%2Fb/read',
  '/property/..%2f/season',
  '/property/%00/ground',
  '/shelf',
  '/shelf.data',
  '/_root.data',
  '/nope',
  '/nope.data',
  '/__manifest?paths=/a',
  '/%',
  '/demo-cases',
  '/simulated-laboratory?receipt=xx&today=9999',
  '/simulated-laboratory.data',
  '/simulated-instruments',
  '/simulated-weather?station=x',
  '/simulated-weather?station=1&from=2027-13-01&to=9',
];
const BODIES = ['', 'x', '{', 'null', '[]', '{"__proto__":{}}', 'a=b', '['.repeat(100_000)];
const TYPES = ['application/json', 'application/x-www-form-urlencoded', 'multipart/form-data'];

test('no request makes the server fail, and every answer carries its guards', async ({ request }) => {
  let asked = 0;
  for (const path of PATHS) {
    const tries = [
      { method: 'GET' },
      { method: 'HEAD' },
      { method: 'DELETE' },
      ...BODIES.flatMap((data) => TYPES.map((type) => ({ method: 'POST', data, headers: { 'Content-Type': type } }))),
    ];
    for (const each of tries) {
      const answer = await request.fetch(path, each);
      asked++;
      expect(answer.status(), `${each.method} ${path}`).toBeLessThan(500);
      const headers = answer.headers();
      expect(headers['x-content-type-options']).toBe('nosniff');
      expect(headers['referrer-policy']).toBe('no-referrer');
      expect(headers['permissions-policy']).toContain('camera=()');
      expect(headers['content-security-policy']).toContain("frame-ancestors 'none'");
      const html = (headers['content-type'] ?? '').includes('text/html');
      expect(headers['content-security-policy']).toContain(html ? "'nonce-" : "default-src 'none'");
    }
  }
  expect(asked).toBe(PATHS.length * (3 + BODIES.length * TYPES.length));
});

test('what is no JSON is answered with 400 and a sentence', async ({ request }) => {
  for (const path of ['/simulated-laboratory', '/simulated-instruments']) {
    const answer = await request.post(path, {
      data: Buffer.from('{'),
      headers: { 'Content-Type': 'application/json' },
    });
    expect([answer.status(), await answer.text()]).toEqual([400, 'The request holds no JSON.']);
  }
});
