import { useEffect, useState } from 'react';

/** What was typed and not saved, and when. It stays in this browser, and goes with the save. */
interface Draft<T> {
  typed: T;
  at: string;
}

const placeOf = (place: string): string => `ubertas-draft/${place}`;

function read<T>(place: string): Draft<T> | undefined {
  try {
    const text = localStorage.getItem(placeOf(place));
    return text === null ? undefined : (JSON.parse(text) as Draft<T>);
  } catch {
    // blocked, or written by something else: there is no draft
    return undefined;
  }
}
function write(place: string, draft: Draft<unknown> | undefined): void {
  try {
    if (draft) localStorage.setItem(placeOf(place), JSON.stringify(draft));
    else localStorage.removeItem(placeOf(place));
  } catch {
    // a draft that cannot be kept is only lost with the page
  }
}

/** Letters are gathered for so long before they are kept, ms. */
const GATHERED_MS = 250;

/**
 * Keeps what is typed in a form across leaving and reloading, and offers it back where the form is opened again.
 *
 * @param place what the form is of: property, kind and id
 * @param dirty whether anything was typed that is not saved
 * @param load fills the form with what was typed before
 */
export function useDraft<T>(
  place: string,
  typed: T,
  dirty: boolean,
  load: (typed: T) => void,
): { offered?: { at: string; take: () => void; discard: () => void } } {
  const [offered, setOffered] = useState(() => read<T>(place));
  const text = JSON.stringify(typed);
  useEffect(() => {
    if (!dirty) {
      if (!offered) write(place, undefined);
      return;
    }
    const keep = () => write(place, { typed: JSON.parse(text) as T, at: new Date().toISOString() });
    const timer = setTimeout(keep, GATHERED_MS);
    // a page that is left or reloaded at once loses no letter
    window.addEventListener('pagehide', keep);
    return () => {
      clearTimeout(timer);
      window.removeEventListener('pagehide', keep);
    };
  }, [place, text, dirty, offered]);
  return {
    offered: offered && {
      at: offered.at,
      take: () => {
        load(offered.typed);
        setOffered(undefined);
      },
      discard: () => {
        if (!dirty) write(place, undefined);
        setOffered(undefined);
      },
    },
  };
}

/** Lets a draft go that was saved, or thrown away by its form. */
export const dropDraft = (place: string): void => write(place, undefined);
