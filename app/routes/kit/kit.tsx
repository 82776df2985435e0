import '../../ui/weighing.css';
import './kit.css';
import { Button, Select } from 'antd';
import { useState } from 'react';
import type { Product } from '@core/records/case';
import type { Spreader } from '@core/records/spreader-schema';
import { foliarPurposeOf } from '@core/foliar/foliar-feeds';
import { densityOf } from '@core/products/as-weighed';
import { faceOf } from '@core/products/label/face';
import { isRefusal } from '@core/reckoning/refusal';
import { changeOwn, loadOwn } from '../../storage/own-records';
import type { TableChange } from '../../storage/record-table';
import { loadShelf } from '../../storage/shelf-repository';
import { ChoiceField, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { Loading } from '../../ui/loading';
import { usePlace } from '../../ui/place';
import { makePdf } from '../../ui/make-pdf';
import { saveFile } from '../../ui/save-text-file';
import { RoomTop } from '../../ui/room-top';
import { todayIso } from '../../ui/today';
import { answering, type Shapes, useSend } from '../../work/send';
import { type SpreadersAnswer, useSpreaders } from '../../work/spreaders';
import { SpreaderForm } from '../../work/spreader-form';
import { StageFault } from '../../work/stage-fault';
import { useFollow } from '../../work/use-follow';
import type { Route } from './+types/kit';
import { Calibrate } from './calibrate';
import { Pattern } from './pattern';
import { Sprayer } from './sprayer';
import { TankOfSeveral } from './tank-of-several';

type Sent = { intent: 'spreader'; change: TableChange<Spreader> };
type Answer = SpreadersAnswer & { faults?: Record<string, string> };
const SHAPES: Shapes<Sent> = { spreader: { change: 'record' } };
const NEW = 'new';
const SPRAYER = 'sprayer';
/** Wanted where nobody came from a job, lb product/1000 ft2. */
const USUAL_RATE_LB = 2;

export async function clientLoader() {
  const [spreaders, operators, products] = await Promise.all([loadOwn('spreaders'), loadOwn('operators'), loadShelf()]);
  const byName = (a: { name: string }, b: { name: string }) => a.name.localeCompare(b.name);
  return {
    spreaders: spreaders.sort(byName),
    operators: operators.sort(byName),
    // what is poured has no gate
    products: products.filter(({ form, unfinished }) => form !== 'liquid' && !unfinished).sort(byName),
    // what goes into a tank: liquids by their density, and dry ones that are made for the leaf
    sprayed: products
      .filter(
        (each) =>
          !each.unfinished &&
          (each.form === 'liquid' ? densityOf(each) !== undefined : foliarPurposeOf(each) !== undefined),
      )
      .sort(byName),
    today: todayIso(),
  };
}
clientLoader.hydrate = true as const;

export const clientAction = answering(SHAPES, async ({ change }: Sent): Promise<Answer> => ({
  undoSpreaders: await changeOwn('spreaders', change),
}));

export function HydrateFallback() {
  return <Loading />;
}

/** The kit: spreaders of one's own, each set by what it gave, and how evenly it lays. */
export default function Kit({ loaderData: { spreaders, operators, products, sprayed, today } }: Route.ComponentProps) {
  const units = useUnits();
  const [place, setPlace] = usePlace();
  const { send } = useSend<Sent, Answer>();
  const { save, remove } = useSpreaders(spreaders, (change) => send({ intent: 'spreader', change }));
  useFollow(undefined);
  const asked = place.get('spreader');
  const isSprayer = asked === SPRAYER;
  const spreader = asked === NEW ? undefined : (spreaders.find(({ id }) => id === asked) ?? spreaders[0]);
  const product: Product | undefined = products.find(({ id }) => id === place.get('product')) ?? products[0];
  const [operatorId, setOperatorId] = useState(operators[0]?.id);
  const given = Number(place.get('rate'));
  const [wanted, setWanted] = useState(() =>
    units.field('product-rate', given > 0 && given < 1000 ? given : USUAL_RATE_LB),
  );
  const target = units.value('product-rate', wanted, 'Rate wanted', 'rate');
  const targetLb = typeof target === 'number' && target > 0 && target < 1000 ? target : undefined;
  const to = (change: Record<string, string>) =>
    setPlace((before) => {
      for (const [key, value] of Object.entries(change)) before.set(key, value);
      return before;
    });
  const keep = async (next: Spreader, says: string) => (await save(next, says)) !== undefined;
  const printCards = async (of: Spreader) => {
    const { calibrationCards } = await import('./calibration-card');
    const page = calibrationCards(of, products, today, units);
    if (page) saveFile(await makePdf(page, `calibration-${of.id}.pdf`));
  };
  return (
    <>
      <RoomTop />
      <main id="main" className="kit">
        <nav className="kitlist" aria-label="Spreaders">
          <h1>Kit</h1>
          <ul>
            {spreaders.map(({ id, name, kind, catches = [] }) => (
              <li key={id}>
                <button
                  type="button"
                  aria-current={!isSprayer && id === spreader?.id}
                  onClick={() => to({ spreader: id })}
                >
                  <b>{name}</b>
                  <span className="small">
                    {kind ?? 'spreader'}, {catches.length} {catches.length === 1 ? 'catch' : 'catches'}
                  </span>
                </button>
              </li>
            ))}
            <li>
              <button type="button" aria-current={isSprayer} onClick={() => to({ spreader: SPRAYER })}>
                <b>Sprayer</b>
                <span className="small">nozzles, speed, volume, tank</span>
              </button>
            </li>
          </ul>
          {spreaders.length > 0 && <Button onClick={() => to({ spreader: NEW })}>New spreader</Button>}
        </nav>
        <div className="kitsheet">
          {isSprayer ? (
            <>
              <Sprayer />
              <TankOfSeveral products={sprayed} />
            </>
          ) : !spreader ? (
            <section aria-labelledby="newpiece">
              <h2 id="newpiece">A new spreader</h2>
              <p>
                By a name of your own. Its dial is read as it stands: whole numbers, or letters as numbers with thirds.
              </p>
              <SpreaderForm
                key={spreaders.length}
                spreader={undefined}
                onSave={async (typed) => {
                  const id = await save(typed, `${typed.name} is saved.`);
                  if (id !== undefined) to({ spreader: id });
                  return id !== undefined;
                }}
              />
            </section>
          ) : (
            <>
              <div className="pagehead">
                <h2>{spreader.name}</h2>
                <span className="sp" />
                {(spreader.catches ?? []).length > 0 && (
                  <Button size="small" onClick={() => void printCards(spreader)}>
                    Calibration card (PDF)
                  </Button>
                )}
                {operators.length > 0 && (
                  <Select
                    aria-label="Operator"
                    value={operatorId}
                    options={operators.map(({ id, name }) => ({ value: id, label: name }))}
                    onChange={setOperatorId}
                    popupMatchSelectWidth={false}
                    virtual={false}
                  />
                )}
              </div>
              <details className="piece">
                <summary>What it is</summary>
                <SpreaderForm
                  key={`${spreader.id} ${spreader.changedAt ?? ''}`}
                  spreader={spreader}
                  onSave={(typed) => keep({ ...spreader, ...typed }, `${typed.name} is saved.`)}
                />
                <Button danger onClick={() => void remove(spreader)}>
                  Delete spreader
                </Button>
              </details>
              {product ? (
                <>
                  <div className="kitfields">
                    <ChoiceField
                      label="Product"
                      value={product.id}
                      options={products.map((each) => ({
                        value: each.id,
                        label: `${each.name} ${faceOf(each)}`.trim(),
                      }))}
                      onChange={(id) => to({ product: id })}
                    />
                    <TextField
                      label="Rate wanted"
                      unit={units.heading('product-rate', 'product')}
                      inputMode="decimal"
                      value={wanted}
                      fault={
                        isRefusal(target)
                          ? target.refused
                          : targetLb === undefined
                            ? 'Type what one pass is to lay, above nothing.'
                            : undefined
                      }
                      onChange={setWanted}
                    />
                  </div>
                  {targetLb !== undefined && (
                    <Calibrate
                      key={`${spreader.id} ${product.id}`}
                      spreader={spreader}
                      product={product}
                      targetLb={targetLb}
                      today={today}
                      operator={operators.find(({ id }) => id === operatorId)?.name}
                      onSave={keep}
                    />
                  )}
                  <Pattern key={spreader.id} spreader={spreader} product={product} today={today} onSave={keep} />
                </>
              ) : (
                <p className="lead">The shelf has nothing to spread yet: put a bag on it first.</p>
              )}
              <p className="small upkeep">
                Empty, clean and dry after use; grease by its manual; move the gate once a month.
              </p>
            </>
          )}
        </div>
      </main>
    </>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Kit" />;
}
