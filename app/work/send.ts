import { startTransition, useEffect, useRef, useState } from 'react';
import { type FetcherWithComponents, useFetcher, useFormAction } from 'react-router';
import { askToKeep, watchRoom } from '../storage/keeping';
import { badRequest, jsonOf } from './json-of';
import { orFault, type StorageRefused } from './or-fault';

/**
 * How a page asks its action for something: one body, an `intent` and what goes with it, as JSON. The action reads it with
 * `received`, which checks the body against the shapes it knows; records inside are checked again by their schemas at the write.
 */
const JSON_POST = { method: 'post', encType: 'application/json' } as const;

export interface Intent {
  intent: string;
}

/** Who waits for the answer of an action, by ticket: the router hands answers to pages, not to those who asked. */
const waiting = new Map<number, { begun: boolean; tell: (answer: unknown) => void }>();
let tickets = 0;

/**
 * Sends a body by a fetcher and promises the answer of the action, given once everything is written and the page has read it
 * back; `undefined` where there is none, because the action failed or never ran. `action` is the page's own (`useFormAction`):
 * without it an undo that is clicked on another page would be answered there.
 */
export async function sendBy<Sent extends Intent, Answer>(
  fetcher: Pick<FetcherWithComponents<unknown>, 'submit'>,
  sent: Sent,
  action?: string,
): Promise<Answer | undefined> {
  const ticket = ++tickets;
  const body = { ...sent, ticket } as never;
  const answered = new Promise<unknown>((tell) => waiting.set(ticket, { begun: false, tell }));
  try {
    // kept when the loaders have run again, or at once where the same fetcher sent something else meanwhile
    await fetcher.submit(body, action === undefined ? JSON_POST : { ...JSON_POST, action });
    // an action that was overtaken runs to its end all the same
    return (waiting.get(ticket)?.begun ? await answered : undefined) as Answer | undefined;
  } finally {
    waiting.delete(ticket);
  }
}

let before: Promise<unknown> = Promise.resolve();

/** Actions of one tab run one after the other: two quick clicks are two changes, the second over what the first left. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = before.then(work, work);
  before = mine.catch(() => undefined);
  return mine;
}

/**
 * The client action of a page: the body checked against its shapes, the work done, a fault of the browser's database answered in
 * words so that the page with all that was typed stays, and whoever sent it told.
 *
 * @example export const clientAction = answering(SHAPES, (sent, { propertyId }: { propertyId: string }) => act(sent, propertyId));
 */
export const answering =
  <Sent extends Intent, Answer, Params>(shapes: Shapes<Sent>, act: (sent: Sent, params: Params) => Promise<Answer>) =>
  async ({ request, params }: { request: Request; params: Params }): Promise<Answer | StorageRefused> => {
    const { ticket, ...sent } = await received<Sent>(request, shapes);
    const asked = ticket === undefined ? undefined : waiting.get(ticket);
    if (asked) asked.begun = true;
    let answer: Answer | StorageRefused | undefined;
    try {
      answer = await orFault(() => inTurn(() => act(sent as Sent, params)));
      // what was stored is worth keeping, and worth knowing how much more will be
      if (!(answer as Partial<StorageRefused> | undefined)?.faults) void askToKeep().then(() => watchRoom());
      return answer;
    } finally {
      asked?.tell(answer);
    }
  };

/**
 * Promises that what the router has read is drawn. The router hands it to React as a transition, which may be drawn later than
 * what whoever asked changes next: a second change over the first would then be made of records that are no longer so.
 */
function useDrawn(): () => Promise<void> {
  const [drawn, draw] = useState(0);
  const waits = useRef(new Map<number, () => void>());
  const asked = useRef(0);
  const there = useRef(false);
  useEffect(() => tellUpTo(waits.current, drawn), [drawn]);
  useEffect(() => {
    const all = waits.current;
    there.current = true;
    return () => {
      there.current = false;
      tellUpTo(all, Infinity);
    };
  }, []);
  return () =>
    new Promise((tell) => {
      if (!there.current) return tell();
      const mine = ++asked.current;
      waits.current.set(mine, tell);
      // drawn together with, or after, the transitions that are under way
      startTransition(() => draw(mine));
    });
}

function tellUpTo(waits: Map<number, () => void>, last: number) {
  for (const [number, tell] of waits) if (number <= last && waits.delete(number)) tell();
}

/** A fetcher of a page's action: `send` asks and promises the answer once the page shows it, `answer` is there once the fetcher is idle again. */
export function useSend<Sent extends Intent, Answer>(): {
  send: (sent: Sent) => Promise<Answer | undefined>;
  answer: Answer | undefined;
  fetcher: FetcherWithComponents<Answer>;
} {
  // the generic type of an answer says nothing of its serialising, which here is none: client actions hand it over as it is
  const fetcher = useFetcher() as FetcherWithComponents<Answer>;
  const action = useFormAction();
  const drawn = useDrawn();
  return {
    fetcher,
    send: async (sent) => {
      const answer = await sendBy<Sent, Answer>(fetcher, sent, action);
      await drawn();
      return answer;
    },
    answer: fetcher.state === 'idle' ? fetcher.data : undefined,
  };
}

/** What a key of a body may hold; a trailing `?` lets it be left out. */
type Plain = 'text' | 'number' | 'yes' | 'record' | 'list';
type Kind = Plain | `${Plain}?`;

const isRecord = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);
const IS: Record<Plain, (value: unknown) => boolean> = {
  text: (value) => typeof value === 'string',
  number: (value) => typeof value === 'number' && Number.isFinite(value),
  yes: (value) => typeof value === 'boolean',
  record: isRecord,
  list: Array.isArray,
};
const isOf = (kind: Kind, value: unknown): boolean =>
  kind.endsWith('?')
    ? value === undefined || value === null || IS[kind.slice(0, -1) as Plain](value)
    : IS[kind as Plain](value);

/** The shapes that one action takes: each intent with the keys it carries. */
export type Shapes<Sent extends Intent> = { [I in Sent['intent']]: Record<string, Kind> };

/**
 * The body of a request, once it is one of the shapes; a `Response` with 400 where it is none, which only a defect of ours or
 * a stranger can send.
 *
 * @example await received<Sent>(request, { keep: { typed: 'record' }, remove: { zoneId: 'text' } })
 */
export async function received<Sent extends Intent>(
  request: Request,
  shapes: Shapes<Sent>,
): Promise<Sent & { ticket?: number }> {
  const body = await jsonOf(request);
  const intents = Object.keys(shapes);
  if (!isRecord(body) || !intents.includes((body as Intent).intent))
    throw badRequest(`The request asks for none of ${intents.join(', ')}.`);
  const { intent, ticket, ...rest } = body as Intent & Record<string, unknown>;
  if (ticket !== undefined && typeof ticket !== 'number') throw badRequest('The request’s ticket is no number.');
  const shape = shapes[intent as Sent['intent']];
  const stranger = Object.keys(rest).find((key) => !Object.hasOwn(shape, key));
  if (stranger !== undefined) throw badRequest(`The request to ${intent} carries “${stranger}”, which is not known.`);
  const wrong = Object.entries(shape).find(([key, kind]) => !isOf(kind, rest[key]));
  if (wrong) throw badRequest(`The request to ${intent} wants a ${wrong[1].replace('?', '')} as “${wrong[0]}”.`);
  return body as Sent & { ticket?: number };
}
