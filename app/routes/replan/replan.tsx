import '../../ui/ruled-table.css';
import './replan.css';
import { Button, Segmented } from 'antd';
import { Link, useLocation, useNavigate } from 'react-router';
import type { Plan } from '@core/records/case';
import { type OfferId, sayChange } from '@core/replan/offers';
import type { Fact } from '@core/replan/standing';
import { currentPlan } from '@core/season/plan/current-plan';
import { keptDoses } from '@core/season/plan/worked-doses';
import { percentFor } from '@core/products/shelf';
import { sayDate, sayDay } from '@core/words/days';
import { Fault } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { useKey } from '../../ui/keys';
import { Mark } from '../../ui/marks';
import { usePlace } from '../../ui/place';
import { Said, Substances } from '../../ui/substance';
import { amountOf } from '../../work/amount-out';
import { propertyAction, type UndoSent, undoOf } from '../../work/property-action';
import type { PropertyWork } from '../../work/property-work';
import { SearchLine } from '../../solving/search-line';
import { type Shapes, useSend } from '../../work/send';
import { StageFault } from '../../work/stage-fault';
import { useDone } from '../../work/use-done';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/replan';
import { BeforeAfter, ChecksThatChange } from './before-after';
import { Pair } from './pair';
import { type ReplanAnswer, type ReplanSent, replanAction } from './replan-action';
import { isOff, sayFact, sayOffer } from './replan-words';
import { offerIn, type Offered, useReplan } from './use-replan';

const SHAPES: Shapes<ReplanSent> = {
  keep: { doses: 'list', solved: 'record?', over: 'text?', because: 'list' },
};

export const clientAction = propertyAction<ReplanSent, ReplanAnswer>(SHAPES, replanAction);

const OFFERS: readonly [OfferId, string][] = [
  ['leave', 'Leave the rest'],
  ['mend', 'Mend it'],
  ['search', 'Find it again'],
];

const saysOf = (offered: Offered): string => {
  const offer = offerIn(offered);
  if (offer) return sayOffer(offer);
  if (offered === 'trying') return 'being tried';
  return typeof offered === 'object' && 'none' in offered ? offered.none : 'not searched yet';
};

/** The rest of a year that did not go as planned: left, mended by hand, or found again, line by line with the reasons. */
export default function Replan() {
  const work = usePropertyWork();
  const { file, year } = work;
  const plan = currentPlan(file, year);
  const location = useLocation();
  if (plan?.keptOn === undefined || !plan.doses)
    return (
      <div className="replan">
        <div className="pagehead">
          <h1>The rest, planned again</h1>
        </div>
        <p className="lead nothing">
          Planning again begins with a saved plan for {year}.{' '}
          <Link className="link" to={{ pathname: '../../season', hash: location.hash }} relative="path">
            Save one in Season
          </Link>
        </p>
      </div>
    );
  return <Rest work={work} plan={plan} />;
}

function Rest({ work, plan }: { work: PropertyWork; plan: Plan }) {
  const units = useUnits();
  const { file, year } = work;
  const [place, setPlace] = usePlace();
  const location = useLocation();
  const navigate = useNavigate();
  const { send, fetcher } = useSend<ReplanSent | UndoSent, ReplanAnswer>();
  const done = useDone();
  const { at, leave, broken, offers, search, searching, progress, stop } = useReplan(work, plan);
  const asked = (place.get('offer') ?? 'leave') as OfferId;
  const offered = offers[asked] ?? offers.leave;
  const offer = offerIn(offered) ?? leave;
  const shown = offerIn(offered) ? asked : 'leave';
  const choose = (id: OfferId) => {
    setPlace((before) => {
      before.set('offer', id);
      return before;
    });
    if (id === 'search' && offers.search === undefined) void search();
  };
  useKey('print', () => window.print());
  const productOf = (id: string) => file.products?.find((product) => product.id === id);
  const zoneName = (id: string) => file.zones.find((zone) => zone.id === id)?.name ?? id;
  const { standing } = at;
  const because = [...new Set(standing.facts.flatMap(({ recordId }) => recordId ?? []))];
  const save = async () => {
    const solved = typeof offered === 'object' && 'offer' in offered ? offered.solved : undefined;
    const kept = await done(
      () =>
        send({
          intent: 'keep',
          doses: keptDoses(offer.doses, plan.doses ?? [], file),
          ...(solved ? { solved } : {}),
          over: plan.changedAt ?? null,
          because,
        }),
      `The plan for ${year} is saved. The one before stands among the plans set aside.`,
      (answer) => send(undoOf(answer)),
    );
    if (kept) void navigate({ pathname: '../../season', hash: location.hash }, { relative: 'path' });
  };
  const faults = fetcher.data && 'faults' in fetcher.data ? fetcher.data.faults : undefined;
  return (
    <div className="replan">
      <div className="pagehead">
        <h1>The rest, planned again</h1>
        <span className="sp" />
        <Segmented<OfferId>
          aria-label="What to do with the rest"
          className="offers"
          value={asked}
          options={OFFERS.map(([value, name]) => ({
            value,
            label: (
              <span className="offer">
                <b>{name}</b>
                <span>{saysOf(offers[value])}</span>
              </span>
            ),
          }))}
          onChange={choose}
        />
        <Link className="link" to={{ pathname: '..', hash: location.hash }} relative="path">
          Cancel
        </Link>
        <Button type="primary" disabled={searching || offerIn(offered) === undefined} onClick={() => void save()}>
          Save plan
        </Button>
      </div>
      {searching && <SearchLine progress={progress} onStop={stop} />}
      <Fault>{faults?.storage}</Fault>
      <div className="replanbody">
        <section className="since" aria-labelledby="since">
          <h2 id="since">Since {sayDate(plan.keptOn ?? '')}</h2>
          {standing.facts.length === 0 ? (
            <p className="small">Nothing went down yet, and nothing was missed.</p>
          ) : (
            <>
              <p className="small">What went down stands at its real day and weight, whatever is chosen.</p>
              <ul>
                {standing.facts.map((fact) => (
                  <FactLine
                    key={`${fact.zoneId}${fact.date}${fact.productId}${fact.recordId ?? ''}`}
                    fact={fact}
                    at={at}
                  />
                ))}
              </ul>
            </>
          )}
          <p className="because">
            {standing.rest.filter(({ locked }) => locked).length === 0
              ? 'No dose is locked. '
              : `${standing.rest.filter(({ locked }) => locked).length} locked and left alone. `}
            {standing.running.size === 0
              ? 'No run is open.'
              : `${standing.running.size} ${standing.running.size === 1 ? 'run is' : 'runs are'} open: that dose stays as it is until it is signed.`}
          </p>
        </section>
        <section className="rest" aria-label="The rest, line by line">
          <p className="verdict" role="status">
            {broken.length === 0
              ? 'The rest still stands: nothing breaks that held as planned.'
              : `With what went down, ${broken.length} ${broken.length === 1 ? 'rule no longer holds that was' : 'rules no longer hold that were'} kept by the plan.`}
          </p>
          {shown !== asked && (
            <p className="small">
              {asked === 'search' && offers.search === undefined ? (
                <Button onClick={() => void search()}>Find it again</Button>
              ) : (
                `${capital(saysOf(offered))}. Below stands the rest as it was.`
              )}
            </p>
          )}
          {offer.edits.length > 0 && (
            <p>
              <Said text={`${offer.edits.join('; ')}.`} />
            </p>
          )}
          {file.zones
            .filter((zone) => offer.lines.some(({ zoneId }) => zoneId === zone.id))
            .map((zone) => (
              <section key={zone.id} aria-label={zone.name}>
                <h2>
                  {zone.name} <span className="small">{units.say('area', zone.areaSqFt)}</span>
                </h2>
                <ul className="pairs">
                  {offer.lines
                    .filter(({ zoneId }) => zoneId === zone.id)
                    .map((line) => (
                      <Pair
                        key={`${line.old?.date}${line.old?.productId}${line.next?.date}${line.next?.productId}`}
                        line={line}
                        file={file}
                      />
                    ))}
                </ul>
              </section>
            ))}
          {offer.lines.length === 0 && <p className="lead nothing">Nothing is left of this year’s plan.</p>}
          {offer.takenBack.length > 0 && (
            <section aria-label="Tried, and taken back">
              <h2>
                Tried, and taken back <span className="small">it broke nothing, and was worth too little</span>
              </h2>
              <ul className="tried">
                {offer.takenBack.map(({ line, says }) => (
                  <li key={`${line.zoneId}${line.old?.date}${line.next?.date}${line.next?.productId}`}>
                    <span>
                      {zoneName(line.zoneId)}: {sayChange(line, (id) => productOf(id)?.name ?? id)}
                    </span>
                    <span className="leader" />
                    <span>{says}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </section>
        <aside className="margin">
          <BeforeAfter file={file} draft={at.draft} leave={leave} offer={offer} />
          <ChecksThatChange leave={leave} offer={offer} given={standing.given} />
        </aside>
      </div>
    </div>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

function FactLine({ fact, at }: { fact: Fact; at: { file: PropertyWork['file'] } }) {
  const units = useUnits();
  const { zones, products = [] } = at.file;
  const zone = zones.find(({ id }) => id === fact.zoneId);
  const product = products.find(({ id }) => id === fact.productId);
  const isNutrient = fact.for === 'N' || fact.for === 'P2O5' || fact.for === 'K2O';
  const lb = product && isNutrient ? (fact.rateLb * percentFor(product, fact.for)) / 100 : undefined;
  return (
    <li className={isOff(fact) ? 'off' : undefined}>
      <svg width={22} height={22} viewBox="0 0 22 22" aria-hidden="true">
        <Mark purpose={fact.for} x={11} y={11} d={14} />
      </svg>
      <span>
        <b>{sayDay(fact.date)}</b> {zone?.name}
        <br />
        {lb === undefined ? (
          amountOf(units, product).rate(fact.rateLb)
        ) : (
          <Substances text={units.say('nutrient-rate', lb, fact.for)} />
        )}
        , {product?.name ?? fact.productId}
        <br />
        <span className="stands">
          <Said text={sayFact(fact, units)} />
        </span>
      </span>
    </li>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Planning again" />;
}
