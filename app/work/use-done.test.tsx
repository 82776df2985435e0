import { App } from 'antd';
import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { describe, expect, it, vi } from 'vitest';
import { useDone } from './use-done';

function Page({
  work,
  undo,
  heard,
}: {
  work: () => Promise<unknown>;
  undo: () => Promise<unknown>;
  heard: (done: boolean) => void;
}) {
  const done = useDone();
  return (
    <button type="button" onClick={() => void done(work, 'The report was deleted.', undo).then(heard)}>
      Delete
    </button>
  );
}
const opened = (work: () => Promise<unknown>, undo: () => Promise<unknown> = () => Promise.resolve({})) => {
  const heard = vi.fn();
  render(
    <App>
      <Page work={work} undo={undo} heard={heard} />
    </App>,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Delete' }));
  return heard;
};
const FULL = { faults: { storage: 'The browser’s storage is full.' } };

describe('what was done', () => {
  it('is said after it was done and not before', async () => {
    let finish: (answer: unknown) => void = () => undefined;
    const heard = opened(() => new Promise((tell) => (finish = tell)));
    await Promise.resolve();
    expect(screen.queryByText(/was deleted/)).toBeNull();
    finish({});
    expect((await screen.findByText(/The report was deleted\./)).textContent).toContain('Undo');
    await waitFor(() => expect(heard).toHaveBeenCalledWith(true));
  });
  it('is never said where it could not be done: the cause is, and one click tries again', async () => {
    const work = vi.fn().mockResolvedValueOnce(FULL).mockResolvedValue({});
    const heard = opened(work);
    expect((await screen.findByText(/storage is full/)).textContent).toContain('Try again');
    expect(screen.queryByText(/was deleted/)).toBeNull();
    await waitFor(() => expect(heard).toHaveBeenCalledWith(false));
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await screen.findByText(/The report was deleted\./);
    expect(work).toHaveBeenCalledTimes(2);
  });
  it('takes no answer for no success', async () => {
    const heard = opened(() => Promise.resolve(undefined));
    await screen.findByText(/could not be done, and the reason is not known/);
    await waitFor(() => expect(heard).toHaveBeenCalledWith(false));
    expect(screen.queryByText(/was deleted/)).toBeNull();
  });
  it('says when an undo could not be done, and tries that again', async () => {
    const undo = vi.fn().mockResolvedValueOnce(FULL).mockResolvedValue({});
    opened(() => Promise.resolve({}), undo);
    fireEvent.click(await screen.findByRole('button', { name: 'Undo' }));
    await screen.findByText(/storage is full/);
    fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
    await waitFor(() => expect(undo).toHaveBeenCalledTimes(2));
  });
});
