import './match.css';
import { Button } from 'antd';
import { useMemo, useState } from 'react';
import { Link, useLocation } from 'react-router';
import type { PlannedFor } from '@core/records/case';
import { gradeOf, hasGrade } from '@core/products/label/face';
import { type MatchAnswer, matchShelf } from '@core/products/match/match';
import { asked, needInWords, percentToward } from '@core/products/match/need';
import { choiceKey } from '@core/season/plan/season-plan';
import { sayDay } from '@core/words/days';
import { StopGlyph } from '../../ui/glyphs';
import { Said, Substances } from '../../ui/substance';
import { useDone } from '../../work/use-done';
import { chooseProducts } from '../../work/choose-products';
import { useMatchWork } from '../../work/match-work';
import { usePropertyWork } from '../../work/use-property-work';
import type { Route } from './+types/match';
import { AnswerRow } from './answer-row';
import { NeedMargin } from './need-margin';
import { StageFault } from '../../work/stage-fault';
import { type Shapes, useSend } from '../../work/send';
import { propertyAction, type Undoable, type UndoSent, undoOf } from '../../work/property-action';
import { useUnits } from '../../ui/format';

/** Product ids by `zoneId/purpose`; null takes a choice away. */
type Sent = { intent: 'choose'; choices: Record<string, string | null> };
const SHAPES: Shapes<Sent> = { choose: { choices: 'record' } };

export const clientAction = propertyAction<Sent, Undoable>(SHAPES, async (sent, propertyId) => ({
  undo: await chooseProducts(propertyId, sent.choices),
}));

/** Answers shown at first; the rest on request. */
const FIRST = 8;

/** Which purpose of the plan each product of an answer serves: the need that it brings most of. */
function purposesOf(answer: MatchAnswer): { purpose: PlannedFor; id: string }[] {
  const free = [...answer.solved];
  return answer.parts.map(({ product }) => {
    const purpose = free
      .filter((each) => percentToward(product, each) > 0)
      .sort((a, b) => percentToward(product, b) - percentToward(product, a))[0];
    if (purpose) free.splice(free.indexOf(purpose), 1);
    return { purpose: purpose ?? (answer.solved[0] as PlannedFor), id: product.id };
  });
}

export default function Match() {
  const units = useUnits();
  const work = usePropertyWork();
  const match = useMatchWork(work);
  const { send } = useSend<Sent | UndoSent, Undoable>();
  const { hash } = useLocation();
  const done = useDone();
  const [all, setAll] = useState(false);
  const products = useMemo(() => work.file.products ?? [], [work.file]);
  const result = useMemo(
    () => match && matchShelf(products, match.need, match.context),
    // the work is reckoned anew for every change of data, zone or address
    // eslint-disable-next-line react-hooks/exhaustive-deps
    [work, hash, products],
  );
  if (!match || !result || !work.zone)
    return (
      <div className="empty">
        <p>Nothing to match yet: measure a zone in Ground first.</p>
      </div>
    );
  const { need, context, trip } = match;
  const zone = work.zone;
  const use = (answer: MatchAnswer) => {
    const chosen = purposesOf(answer);
    const keys = chosen.map(({ purpose, id }) => [choiceKey(zone.id, purpose), id] as const);
    void done(
      () => send({ intent: 'choose', choices: Object.fromEntries(keys) }),
      `${answer.parts.map((part) => part.product.name).join(' with ')} now ${answer.parts.length > 1 ? 'feed' : 'feeds'} ${zone.name} in the plan.`,
      (answer) => send(undoOf(answer)),
    );
  };
  const wanted = asked(need);
  const { answers, refused, beside } = result;
  const shown = all ? answers : answers.slice(0, FIRST);
  return (
    <div className="body match">
      <div>
        <div className="pagehead">
          <h1>Match the shelf</h1>
          <span className="small">
            {wanted.map((key, i) => (
              <span key={key}>
                {i > 0 && ' and '}
                <b>{units.rate(need[key] ?? 0)}</b> <Substances text={units.short('nutrient-rate', needInWords(key))} />
              </span>
            ))}
            {units.setting.system === 'us' && ' per 1000'}
            {trip.date && `, on ${sayDay(trip.date)}`}, {zone.name}
          </span>
          <span className="sp" />
          <Link to={{ pathname: '../prescribe', hash }} relative="route">
            <Button tabIndex={-1}>
              Back to Prescribe <span className="kbd">4</span>
            </Button>
          </Link>
        </div>
        {wanted.length === 0 && <p className="empty">Nothing is asked for in this trip. Type a need on the right.</p>}
        {wanted.length > 0 && answers.length === 0 && (
          <p className="empty">
            Nothing on the shelf can bring that here, alone or blended. The reasons stand below;{' '}
            <Link className="link" to="/shelf">
              put something else on the shelf
            </Link>{' '}
            or ask for less.
          </p>
        )}
        {shown.length > 0 && (
          <>
            <div className="answer head" aria-hidden="true">
              <span />
              <span>Product</span>
              <span className="rates">
                {units.setting.system === 'us' ? (
                  <>
                    lb product
                    <br />
                    per 1000 <i>here</i>
                  </>
                ) : (
                  <>
                    {units.short('product-rate', 'product')}
                    <br />
                    <i>{units.unit('weight')} here</i>
                  </>
                )}
              </span>
              <span className="brings">
                <i>unwanted</i> <i>wanted</i>
              </span>
              <span>Slow N</span>
              <span>
                Cl and salt
                <br />
                {units.heading('nutrient-rate')}
              </span>
              <span>
                N granules
                <br />
                {units.onSquare(1).of}
              </span>
              <span>
                Bags
                <br />
                {units.unit('weight', 'product')}
              </span>
              <span className="cost">
                Cost
                <br />
                this job
              </span>
            </div>
            <ol className="answers" aria-label="Answers, best first">
              {shown.map((answer, i) => (
                <AnswerRow
                  key={answer.parts.map((part) => part.product.id).join('+') + answer.solved.join()}
                  rank={i + 1}
                  answer={answer}
                  need={need}
                  context={context}
                  products={products}
                  onUse={() => use(answer)}
                />
              ))}
            </ol>
            {answers.length > FIRST && (
              <p className="moreanswers">
                <button type="button" className="link" onClick={() => setAll(!all)}>
                  {all ? `Only the first ${FIRST}` : `${answers.length - FIRST} more answers`}
                </button>
              </p>
            )}
          </>
        )}
        {refused.length > 0 && (
          <section className="refusedlist" aria-labelledby="refused">
            <h2 id="refused">
              Refused <span className="small">{refused.length} and why</span>
            </h2>
            <ul>
              {refused.map(({ product, says }) => (
                <li key={product.id}>
                  <StopGlyph />
                  <b>{hasGrade(product) ? gradeOf(product) : ''}</b>
                  <span>{product.name}</span>
                  <span>
                    <Said text={says} />
                  </span>
                </li>
              ))}
            </ul>
          </section>
        )}
        {beside.length > 0 && wanted.length > 0 && (
          <p className="small beside">
            Without {wanted.map(needInWords).join(' or ')}:{' '}
            {beside.map((product) => product.name.toLowerCase()).join(', ')}.
          </p>
        )}
      </div>
      <NeedMargin match={match} />
    </div>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  return <StageFault error={error} stage="Match" />;
}
