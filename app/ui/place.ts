import { useCallback, useEffect, useMemo, useRef } from 'react';
import { useLocation, useNavigate, useRevalidator } from 'react-router';

/**
 * What is looked at within a page: zone, report, label, words of a search. It stands behind the # of the address, because a browser
 * sends everything before it to the server, and ids and searches may hold names of customers.
 */

/** The place that an address tells. */
export const placeIn = (hash: string): URLSearchParams => new URLSearchParams(hash.replace(/^#/, ''));

/**
 * A place as the hash of an address.
 *
 * @example placeHash({ zone: 'front lawn' }) is '#zone=front+lawn'
 */
export const placeHash = (place: Record<string, string> | URLSearchParams): string => {
  const text = new URLSearchParams(place).toString();
  return text === '' ? '' : `#${text}`;
};

/** The place of the window, for loaders, which are told no hash. */
export const placeNow = (): URLSearchParams => placeIn(window.location.hash);

/** Loads again when what a loader reads from the place has changed: the router takes a change of the hash for no new page. */
export function useLoadedBy(read: string): void {
  const { revalidate } = useRevalidator();
  const loaded = useRef(read);
  useEffect(() => {
    if (loaded.current === read) return;
    loaded.current = read;
    void revalidate();
  }, [read, revalidate]);
}

/** A change that was asked for and not drawn yet: the next one goes on from it, or of two fields typed at once one would be lost. */
let asked: { from: string; to: string } | undefined;

/** The place looked at, and a way to change it. */
export function usePlace(): [
  place: URLSearchParams,
  change: (to: (before: URLSearchParams) => URLSearchParams, options?: { replace?: boolean }) => void,
] {
  const { hash } = useLocation();
  const navigate = useNavigate();
  const place = useMemo(() => placeIn(hash), [hash]);
  useEffect(() => {
    asked = undefined;
  }, [hash]);
  const change = useCallback(
    (to: (before: URLSearchParams) => URLSearchParams, options: { replace?: boolean } = {}) => {
      const next = placeHash(to(placeIn(asked?.from === hash ? asked.to : hash)));
      asked = { from: hash, to: next };
      void navigate({ hash: next }, { ...options, preventScrollReset: true });
    },
    [hash, navigate],
  );
  return [place, change];
}
