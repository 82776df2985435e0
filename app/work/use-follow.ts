import { useEffect } from 'react';
import { useRevalidator } from 'react-router';
import { hearOthers, SETTINGS, SHELF } from '../storage/other-tabs';

/** Reads a page's records again when another tab, or a worker of this one, wrote one that it shows; `undefined` follows everything. */
export function useFollow(shows: readonly string[] | undefined): void {
  const { revalidate } = useRevalidator();
  const key = shows?.join(' ');
  useEffect(
    () =>
      hearOthers((written) => {
        if (
          key === undefined ||
          written.some((each) => each === SHELF || each === SETTINGS || key.split(' ').includes(each))
        )
          void revalidate();
      }),
    [key, revalidate],
  );
}
