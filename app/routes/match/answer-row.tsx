import { Button } from 'antd';
import type { Product } from '@core/records/case';
import { gradeOf, hasGrade } from '@core/products/label/face';
import { evennessOf, type MatchAnswer } from '@core/products/match/match';
import { partFigures } from '@core/products/match/match-figures';
import type { MatchContext, Need } from '@core/products/match/need';
import { slowShare } from '@core/nitrogen/forms';
import { Fig } from '../../ui/fig';
import { showMoney } from '@core/words/numbers';
import { WarnGlyph } from '../../ui/glyphs';
import { GranuleSquare } from '../../ui/granule-square';
import { NitrogenStrip, nitrogenParts } from '../../ui/nitrogen-strip';
import { Said, Substances } from '../../ui/substance';
import { Brings } from './brings';
import { useUnits } from '../../ui/format';
import { amountOf } from '../../work/amount-out';

interface AnswerRowProps {
  rank: number;
  answer: MatchAnswer;
  need: Need;
  context: MatchContext;
  products: readonly Product[];
  onUse: () => void;
}

/** One way to meet the need, everything about it on one line of the ledger. */
export function AnswerRow({ rank, answer, need, context, products, onUse }: AnswerRowProps) {
  const units = useUnits();
  const outs = answer.parts.map(({ product }) => amountOf(units, product));
  const figures = answer.parts.map((_, at) => partFigures(answer, at, need, context.zone));
  const feeder = answer.parts.find((part) => (part.product.guaranteed.N ?? 0) > 0);
  const feederAt = feeder ? answer.parts.indexOf(feeder) : -1;
  const lime = answer.solved[0] === 'lime';
  const best = rank === 1;
  const names = answer.parts.map((part) => part.product.name).join(' with ');
  return (
    <li className={best ? 'answer is-best' : 'answer'} aria-label={`${rank}. ${names}`}>
      <span className="rank">{rank}</span>
      <div className="answername">
        {answer.parts.map(({ product }, i) => (
          <p key={product.id}>
            {i > 0 && <i>with </i>}
            {product.name} {hasGrade(product) && <b className="nowrap">{gradeOf(product)}</b>}
          </p>
        ))}
        {answer.against.length === 0 ? (
          <p className="quiet">nothing against it</p>
        ) : (
          <p className="against">
            <WarnGlyph />
            <span>
              <Said text={answer.against.join(', ')} />
            </span>
          </p>
        )}
        <Button size="small" type={best ? 'primary' : 'default'} onClick={onUse}>
          Use it
        </Button>
      </div>
      <div className="rate" data-unit={units.heading('product-rate', 'product')}>
        {figures.map(({ rate }, i) => (
          <p key={i}>
            <b>
              <Fig figure={rate} show={outs[i]?.showRate ?? units.productRate} />
            </b>
            {outs[i]?.isLiquid && <span className="small"> {outs[i].rateShort}</span>}
          </p>
        ))}
      </div>
      <div className="here" data-unit={`${units.unit('weight', 'product')} here`}>
        {figures.map(({ weighOut }, i) => (
          <p key={i}>
            <Fig figure={weighOut} show={outs[i]?.show ?? units.weight} />
            {outs[i]?.isLiquid && <span className="small"> {outs[i].unit}</span>}
          </p>
        ))}
      </div>
      <div className="brings">
        <Brings answer={answer} need={need} context={context} products={products} />
      </div>
      <div className="slow">
        {feeder ? (
          <>
            <NitrogenStrip
              parts={nitrogenParts(feeder.product)}
              width={84}
              of={feeder.product.guaranteed.N ?? 0}
              height={10}
            />
            <p>
              <b>{Math.round(answer.slowShare * 100)}</b> % slow
            </p>
            <p className="quiet">
              {slowShare(feeder.product) > 0 ? `feeds ${Math.round(answer.feedsWeeks)} wk` : 'about 4 wk'}
            </p>
          </>
        ) : (
          <p className="quiet">no N</p>
        )}
      </div>
      <div className="salts">
        {lime ? (
          <p className="quiet">none</p>
        ) : (
          <>
            <p>
              <b>{units.rate(answer.chlorideLb)}</b> {units.short('nutrient-rate', 'Cl')}
            </p>
            <p>
              {figures.length === 1 && figures[0] ? (
                <Fig figure={figures[0].salt} show={units.rate} />
              ) : (
                <b>{units.rate(answer.saltLb)}</b>
              )}{' '}
              salt
            </p>
          </>
        )}
      </div>
      <div className="grains">
        {feeder?.granules !== undefined && figures[feederAt]?.granules ? (
          <>
            <GranuleSquare perSqIn={feeder.granules} />
            <p>
              <Fig figure={figures[feederAt].granules} show={(value) => units.onSquare(value).count} />
              <br />
              <span className="quiet">{evennessOf(feeder.granules)}</span>
            </p>
          </>
        ) : (
          <p className="quiet">no size</p>
        )}
      </div>
      <div className="stock">
        {answer.parts.map((part) => (
          <p key={part.product.id}>
            {part.packages > 0 ? <b>buy {part.packages}</b> : <span className="quiet">on hand</span>}{' '}
            <b>
              {part.product.form === 'liquid'
                ? amountOf(units, part.product).store(part.leftLb)
                : units.weight(part.leftLb)}
            </b>{' '}
            left
          </p>
        ))}
      </div>
      <div className="cost">
        {answer.cost === undefined ? (
          <p className="quiet">no price</p>
        ) : (
          <>
            <p>
              {figures.length === 1 && figures[0]?.cost ? (
                <b>
                  <Fig figure={figures[0].cost} show={showMoney} />
                </b>
              ) : (
                <b>{showMoney(figures.reduce((sum, { cost }) => sum + (cost?.value ?? 0), 0))}</b>
              )}
            </p>
            {answer.cash !== undefined && answer.cash > 0 && <p className="quiet">{showMoney(answer.cash)} cash</p>}
            {answer.costPerLb !== undefined && (
              <p className="quiet">
                {units.price(answer.costPerLb)} a {units.unit('weight')}{' '}
                <Substances text={lime ? 'CaCO3' : answer.solved[0] === 'sulfur' ? 'S' : (answer.solved[0] ?? '')} />
              </p>
            )}
            {answer.seasonCost !== undefined && <p className="quiet">{showMoney(answer.seasonCost)} a year</p>}
          </>
        )}
      </div>
    </li>
  );
}
