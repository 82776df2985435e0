import type { RouteConfigEntry } from '@react-router/dev/routes';

/** A page that is the same for every property: drawn once by the server, kept by the browser, filled from its own database. */
export interface Shell {
  /** Path of the route as it is registered, with its parameters: `/property/:propertyId/read`. */
  pattern: string;
  /** Where the server draws it: `/property/-/read`. */
  address: string;
}

/** What is answered and not drawn: it has no page. */
const isPage = ({ file }: RouteConfigEntry): boolean => file.endsWith('.tsx');

/**
 * Every page pattern of the routes, each with an address that stands for all of its kind. The page for addresses that are none has no
 * shell: it is an answer of the server.
 *
 * @example shellsOf([{ path: 'property/:propertyId', file: 'a.tsx', children: [{ path: 'read', file: 'b.tsx' }] }])
 * // [{ pattern: '/property/:propertyId', address: '/property/-' }, { pattern: '/property/:propertyId/read', address: '/property/-/read' }]
 */
export function shellsOf(routes: readonly RouteConfigEntry[], under = ''): Shell[] {
  const found = routes.flatMap((route): Shell[] => {
    if (route.path === '*') return [];
    const pattern = route.path === undefined ? under : `${under}/${route.path}`;
    const own = isPage(route) ? [{ pattern: pattern || '/', address: (pattern || '/').replace(/:[^/]+/g, '-') }] : [];
    return [...own, ...shellsOf(route.children ?? [], pattern)];
  });
  // a route and its index share one address
  return found.filter(({ pattern }, i) => found.findIndex((each) => each.pattern === pattern) === i);
}

/** Whether an address is of a pattern: '/property/mill-race/read' is of '/property/:propertyId/read'. */
export const isOfPattern = (pathname: string, pattern: string): boolean => {
  const [asked, wanted] = [pathname, pattern].map((path) => path.split('/').filter(Boolean)) as [string[], string[]];
  return asked.length === wanted.length && wanted.every((part, i) => (part.startsWith(':') ? true : part === asked[i]));
};
