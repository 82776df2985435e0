import { Wordmark } from './wordmark';

/** The frame at once; figures appear in place when the browser's own data is read. */
export function Loading() {
  return (
    <>
      <header className="top">
        <Wordmark />
      </header>
      <main id="main" className="empty" aria-busy="true">
        <p>Reading this browser’s data</p>
      </main>
    </>
  );
}
