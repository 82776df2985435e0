import './shelf.css';
import { App, Button, Checkbox, Input } from 'antd';
import { useEffect, useState } from 'react';
import { useKey } from '../../ui/keys';
import type { Product } from '@core/records/case';
import {
  changeShelf,
  deleteProduct,
  loadShelf,
  missingStarters,
  propertiesNaming,
  saveProducts,
  type ShelfChange,
} from '../../storage/shelf-repository';
import { todayIso } from '../../ui/today';
import { Loading } from '../../ui/loading';
import { Substances } from '../../ui/substance';
import { useFollow } from '../../work/use-follow';
import { useDone } from '../../work/use-done';
import { useWorkingsTrail } from '../../ui/use-workings-trail';
import { RoomTop } from '../../ui/room-top';
import { WorkingsSlip } from '../../ui/workings';
import { WorkingsContext } from '../../ui/workings-context';
import type { Route } from './+types/shelf';
import { LabelSlip } from './label-slip';
import type { LabelAnswer, LabelSent } from './use-label-slip';
import { ProductRow } from './product-row';
import { ShelfFiles } from './shelf-files';
import { isAbout, isOnly, ONLY, type Only, shelved, type Subject, SUBJECTS } from './shelf-groups';
import { productFromTyped } from './typed-label';
import { StageFault } from '../../work/stage-fault';
import { answering, type Shapes, useSend } from '../../work/send';
import { usePlace } from '../../ui/place';
import { useUnits } from '../../ui/format';
import { unitsHere } from '../../work/units-here';

type Sent =
  | LabelSent
  | { intent: 'remove'; id: string }
  | { intent: 'store'; products: Product[] }
  | { intent: 'undo'; change: ShelfChange };

export async function clientLoader() {
  const products = await loadShelf();
  return { products, missing: await missingStarters(), today: todayIso() };
}
clientLoader.hydrate = true as const;

async function act(sent: Sent): Promise<LabelAnswer> {
  switch (sent.intent) {
    case 'keep': {
      const shelf = await loadShelf();
      const answer = productFromTyped(
        sent.typed,
        shelf.map((product) => product.id),
        sent.draft,
        await unitsHere(),
      );
      if ('faults' in answer) return answer;
      return { undo: await saveProducts([answer.product]), kept: answer.product.id };
    }
    case 'remove':
      return { undo: await deleteProduct(sent.id) };
    case 'store': {
      // a file says nothing of the version that stands here: the person was shown what it replaces
      const stands = new Map((await loadShelf()).map((product) => [product.id, product.changedAt]));
      return {
        undo: await saveProducts(sent.products.map((product) => ({ ...product, changedAt: stands.get(product.id) }))),
      };
    }
    case 'undo':
      return { undo: await changeShelf(sent.change) };
  }
}

const SHAPES: Shapes<Sent> = {
  keep: { typed: 'record', draft: 'yes' },
  remove: { id: 'text' },
  store: { products: 'list' },
  undo: { change: 'record' },
};

export const clientAction = answering(SHAPES, (sent: Sent) => act(sent));

export function HydrateFallback() {
  return <Loading />;
}

const NEW = 'new';

export default function Shelf({ loaderData }: Route.ComponentProps) {
  const units = useUnits();
  const { products, missing, today } = loaderData;
  const [place, setPlace] = usePlace();
  const [subject, setSubject] = useState<Subject>('everything');
  const [only, setOnly] = useState<readonly Only[]>([]);
  const [word, setWord] = useState('');
  const [filesOpen, setFilesOpen] = useState(false);
  const { fetcher, send } = useSend<Exclude<Sent, LabelSent>, LabelAnswer>();
  useFollow([]);
  const workings = useWorkingsTrail();
  const done = useDone();
  const { message } = App.useApp();
  const opened = place.get('label') ?? undefined;
  const product = products.find((each) => each.id === opened);
  const open = (id: string | undefined) =>
    setPlace(
      (before) => {
        if (id === undefined) before.delete('label');
        else before.set('label', id);
        return before;
      },
      { replace: true },
    );
  useKey('new-label', () => open(NEW));
  useKey('close-workings', () => workings.close());
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  useEffect(() => {
    if (answer?.kept) {
      void message.success('The label is on the shelf.');
      setPlace(() => new URLSearchParams(), { replace: true });
    }
  }, [answer, message, setPlace]);

  const shown = products.filter(
    (each) =>
      isAbout(each, subject) &&
      only.every((wanted) => isOnly(each, wanted)) &&
      each.name.toLowerCase().includes(word.trim().toLowerCase()),
  );
  const onHand = products.filter((each) => (each.onHandLb ?? 0) > 0).length;
  const undo = (answer: LabelAnswer | undefined) =>
    send({ intent: 'undo', change: answer?.undo ?? { put: [], remove: [] } });
  const remove = async (gone: Product) => {
    const named = await propertiesNaming(gone.id);
    const removed = await done(
      () => send({ intent: 'remove', id: gone.id }),
      `${gone.name} is off the shelf.${named.length > 0 ? ` Plans of ${named.slice(0, 3).join(', ')} still speak of it.` : ''}`,
      undo,
    );
    if (removed) open(undefined);
  };
  const store = (list: Product[], says: string) => {
    void done(() => send({ intent: 'store', products: list }), says, undo);
  };
  return (
    <WorkingsContext value={workings}>
      <RoomTop />
      <main id="main" className={opened || workings.trail.length > 0 ? 'shelf with-slip' : 'shelf'}>
        <div className="board">
          <div className="pagehead">
            <h1>The shelf</h1>
            <span className="small">
              {products.length} {products.length === 1 ? 'product' : 'products'}, {onHand} on hand
            </span>
            <span className="sp" />
            <Button onClick={() => setFilesOpen(true)}>Import or export</Button>
            <Button type="primary" onClick={() => open(NEW)}>
              New label <span className="kbd">A</span>
            </Button>
          </div>
          <div className="shelffilter">
            <span role="group" aria-label="Show">
              {SUBJECTS.map((each) => (
                <button
                  key={each}
                  type="button"
                  className="subject"
                  aria-pressed={each === subject}
                  onClick={() => setSubject(each)}
                >
                  {each} <i>{products.filter((p) => isAbout(p, each)).length}</i>
                </button>
              ))}
            </span>
            <span className="only">
              only
              {ONLY.map((each) => (
                <Checkbox
                  key={each}
                  checked={only.includes(each)}
                  onChange={(event) =>
                    setOnly((before) => (event.target.checked ? [...before, each] : before.filter((x) => x !== each)))
                  }
                >
                  <Substances text={each} />
                </Checkbox>
              ))}
            </span>
            <Input
              aria-label="Word on the label"
              placeholder="word on the label"
              value={word}
              allowClear
              onChange={(event) => setWord(event.target.value)}
            />
          </div>
          <div className="bagrow head" aria-hidden="true">
            <span>On the bag</span>
            <span />
            <span>What the nitrogen is made of, %</span>
            <span>Sulfur, %</span>
            <span>Cl %, salt</span>
            <span>Price</span>
            <span>On hand, {units.unit('weight', 'product')}</span>
          </div>
          {shelved(shown).map(({ group, products: list }) => (
            <section key={group.id} aria-labelledby={`group-${group.id}`}>
              <h2 id={`group-${group.id}`} className="groupname">
                {group.title}{' '}
                <i>
                  <Substances text={group.by} />
                </i>
              </h2>
              <ol>
                {list.map((each) => (
                  <ProductRow
                    key={each.id}
                    product={each}
                    current={each.id === opened}
                    onOpen={() => open(each.id === opened ? undefined : each.id)}
                  />
                ))}
              </ol>
            </section>
          ))}
          {shown.length === 0 && (
            <p className="empty">
              {products.length === 0
                ? 'The shelf is empty. Enter a label, or bring the starter materials in by Import or export.'
                : 'Nothing on the shelf is like that.'}
            </p>
          )}
        </div>
        {(opened === NEW || product) && (
          <LabelSlip
            key={opened}
            product={product}
            fetcher={fetcher}
            onClose={() => open(undefined)}
            onRemove={product && (() => void remove(product))}
          />
        )}
        <WorkingsSlip />
      </main>
      <ShelfFiles
        open={filesOpen}
        products={products}
        missing={missing}
        today={today}
        onStore={store}
        onClose={() => setFilesOpen(false)}
      />
    </WorkingsContext>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Shelf" />;
}
