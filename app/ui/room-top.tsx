import type { ReactNode } from 'react';
import { TopNav } from './top-nav';
import { Wordmark } from './wordmark';

/** The top of a room beside a single property: the mark, the rooms, and what a room has at its right. */
export function RoomTop({ children }: { children?: ReactNode }) {
  return (
    <header className="top">
      <Wordmark />
      <TopNav />
      <div className="right">{children}</div>
    </header>
  );
}
