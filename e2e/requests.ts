import type { BrowserContext, Request } from '@playwright/test';

/** Shorter words are parts of others by chance. */
const SHORTEST_WORD = 4;

/** Every request of a browser, and every text that was typed or given as a file, until `leaks` is asked. */
export async function recordRequests(
  context: BrowserContext,
): Promise<{ leaks: (...named: string[]) => Promise<string[]> }> {
  const requests: Request[] = [];
  const typed = new Set<string>();
  context.on('request', (request) => requests.push(request));
  await context.exposeFunction('ubertasTyped', (text: string) => typed.add(text));
  await context.addInitScript(() => {
    document.addEventListener(
      'input',
      ({ target }) => {
        const { value, type } = target as HTMLInputElement;
        if (type !== 'file' && typeof value === 'string')
          void (window as unknown as { ubertasTyped: (text: string) => void }).ubertasTyped(value);
      },
      true,
    );
  });
  return {
    /** Requests in whose address, headers or body a typed text stands, however it is written there. */
    leaks: async (...named) => {
      const texts = [...typed, ...named]
        .map((text) => text.trim().toLowerCase())
        .filter((text) => text.length >= SHORTEST_WORD && /\p{L}{3}/u.test(text));
      const faces = texts.flatMap((text) => [
        text,
        encodeURIComponent(text).toLowerCase(),
        text.replaceAll(' ', '+'),
        text.replace(/[^a-z0-9]+/g, '-'),
      ]);
      const found: string[] = [];
      for (const request of requests) {
        const headers = Object.values(await request.allHeaders().catch(() => request.headers()));
        const sent = [request.url(), ...headers, request.postData() ?? ''].join('\n').toLowerCase();
        const leak = faces.find((face) => sent.includes(face));
        if (leak !== undefined) found.push(`${request.method()} ${request.url()} tells “${leak}”`);
      }
      if (requests.length === 0 || texts.length === 0) found.push('nothing was recorded');
      return found;
    },
  };
}
