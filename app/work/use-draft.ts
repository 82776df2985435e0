import { useEffect, useRef, useState } from 'react';

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
 * @param savedBy the answer that said what stood in the form then is saved
 * @param load fills the form with what was typed before
 */
export function useDraft<T>({
  place,
  typed,
  dirty,
  savedBy,
  load,
}: {
  place: string;
  typed: T;
  dirty: boolean;
  savedBy?: object;
  load: (typed: T) => void;
}): {
  offered?: { at: string; take: () => void; discard: () => void };
  /** Lets go what was typed, where the form is closed by a person's word. */
  forget: () => void;
} {
  const [offered, setOffered] = useState(() => read<T>(place));
  const text = JSON.stringify(typed);
  const [saved, setSaved] = useState<{ by: object; text: string }>();
  if (savedBy && saved?.by !== savedBy) setSaved({ by: savedBy, text });
  const unsaved = dirty && saved?.text !== text;
  const keep = useRef<() => void>(undefined);
  useEffect(() => {
    if (!unsaved) {
      keep.current = undefined;
      if (!offered) write(place, undefined);
      return;
    }
    keep.current = () => write(place, { typed: JSON.parse(text) as T, at: new Date().toISOString() });
    const timer = setTimeout(() => keep.current?.(), GATHERED_MS);
    return () => clearTimeout(timer);
  }, [place, text, unsaved, offered]);
  useEffect(() => {
    // a page that is left or reloaded at once loses no letter
    const atOnce = () => keep.current?.();
    window.addEventListener('pagehide', atOnce);
    return () => {
      window.removeEventListener('pagehide', atOnce);
      atOnce();
    };
  }, []);
  return {
    forget: () => {
      keep.current = undefined;
      write(place, undefined);
    },
    offered: offered && {
      at: offered.at,
      take: () => {
        load(offered.typed);
        setOffered(undefined);
      },
      discard: () => {
        if (!unsaved) write(place, undefined);
        setOffered(undefined);
      },
    },
  };
}
