import { fireEvent, render, screen, waitFor } from '@testing-library/react';
import { createRoutesStub, useLoaderData } from 'react-router';
import { expect, it, vi } from 'vitest';
import { RecordRefused } from '../storage/changes';
import { answering, useSend } from './send';

type Sent = { intent: 'keep'; name: string };

/** A page whose button sends a name, and what it is told. */
function opened(act: (sent: Sent) => Promise<object>, name = 'Autumn') {
  const told = vi.fn();
  function Page() {
    const { send } = useSend<Sent, object>();
    return (
      <button type="button" onClick={() => void send({ intent: 'keep', name }).then(told)}>
        Save
      </button>
    );
  }
  const clientAction = answering({ keep: { name: 'text' } }, act);
  const Stub = createRoutesStub([
    { path: '/', Component: Page, action: ({ request }) => clientAction({ request, params: {} }) },
  ]);
  render(<Stub />);
  fireEvent.click(screen.getByRole('button', { name: 'Save' }));
  return told;
}

it('tells whoever sent it the answer of the action, which never sees the ticket', async () => {
  const act = vi.fn(() => Promise.resolve({ kept: 'yes' }));
  const told = opened(act);
  await waitFor(() => expect(told).toHaveBeenCalledWith({ kept: 'yes' }));
  expect(act).toHaveBeenCalledWith({ intent: 'keep', name: 'Autumn' }, {});
});

it('lets actions run one after the other, so that the second goes on from what the first left', async () => {
  const order: string[] = [];
  const act = (sent: Sent) =>
    new Promise<object>((done) => {
      order.push(`begin ${sent.name}`);
      setTimeout(() => {
        order.push(`end ${sent.name}`);
        done({});
      }, 20);
    });
  const clientAction = answering({ keep: { name: 'text' } }, (sent: Sent) =>
    sent.name === 'breaks' ? Promise.reject(new DOMException('x', 'AbortError')) : act(sent),
  );
  const ask = (name: string) =>
    clientAction({
      request: new Request('http://x/', { method: 'POST', body: JSON.stringify({ intent: 'keep', name }) }),
      params: {},
    });
  await Promise.all([ask('first'), ask('breaks'), ask('second')]);
  expect(order).toEqual(['begin first', 'end first', 'begin second', 'end second']);
});

it.each([
  ['a full disk', new DOMException('full', 'QuotaExceededError'), /storage is full/],
  ['a write that the browser broke off', new DOMException('gone', 'AbortError'), /broke the write off .*try again/],
  [
    'a record that its schema refuses',
    new RecordRefused({ refused: 'Too large.', field: 'areaSqFt' }, 'The zone'),
    /^The zone: Too large\. Nothing was changed\.$/,
  ],
])('answers %s in words, and the page stays', async (_what, fault, says) => {
  const told = opened(() => Promise.reject(fault));
  await waitFor(() =>
    expect(told).toHaveBeenCalledWith({ faults: { storage: expect.stringMatching(says) as string } }),
  );
  expect(screen.queryAllByRole('button', { name: 'Save' })).toHaveLength(1);
});

it('answers a defect of ours in words too, and reports it', async () => {
  const reported = vi.fn();
  vi.stubGlobal('reportError', reported);
  const told = opened(() => Promise.reject(new TypeError('a defect')));
  await waitFor(() =>
    expect(told).toHaveBeenCalledWith({ faults: { storage: expect.stringContaining('still here') as string } }),
  );
  expect(reported).toHaveBeenCalledOnce();
  vi.unstubAllGlobals();
});

it('answers once the page shows what was written, so that what is changed next is changed over it', async () => {
  let kept = 'none';
  const shown = vi.fn();
  /** Slow to draw, as a long page is. */
  function Slow({ value }: { value: string }) {
    const until = performance.now() + 30;
    while (performance.now() < until);
    return <p>{value}</p>;
  }
  function Page() {
    const { send } = useSend<Sent, object>();
    const value = useLoaderData<string>();
    return (
      <>
        {[1, 2, 3].map((each) => (
          <Slow key={each} value={`${each} ${value}`} />
        ))}
        <button
          type="button"
          onClick={() => void send({ intent: 'keep', name: 'Spring' }).then(() => shown(document.body.textContent))}
        >
          Save
        </button>
      </>
    );
  }
  const clientAction = answering({ keep: { name: 'text' } }, (sent: Sent) => {
    kept = sent.name;
    return Promise.resolve({});
  });
  const Stub = createRoutesStub([
    {
      path: '/',
      Component: Page,
      loader: () => kept,
      HydrateFallback: () => null,
      action: ({ request }) => clientAction({ request, params: {} }),
    },
  ]);
  render(<Stub />);
  fireEvent.click(await screen.findByRole('button', { name: 'Save' }));
  await waitFor(() => expect(shown).toHaveBeenCalledWith(expect.stringContaining('3 Spring')));
});
