import { type RefCallback, useCallback, useState } from 'react';

/** The width an element has now, px; `initial` until it is measured. The element may go and another come. */
export function useWidth<E extends HTMLElement>(initial: number): [RefCallback<E>, number] {
  const [width, setWidth] = useState(initial);
  const ref = useCallback((element: E | null) => {
    if (!element) return;
    const observer = new ResizeObserver(([entry]) => {
      if (entry && entry.contentRect.width > 0) setWidth(Math.floor(entry.contentRect.width));
    });
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [ref, width];
}
