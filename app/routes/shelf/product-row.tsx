import type { Product } from '@core/records/case';
import { sureFigure, traced } from '@core/reckoning/figure';
import { packageLb } from '@core/products/package-lb';
import { saltCarriers } from '@core/products/carriers';
import { formsShortBy } from '@core/products/label/check-label';
import { productSalt } from '@core/products/salt';
import { BagFace, BagsOnHand } from '../../ui/bag-face';
import { Fig } from '../../ui/fig';
import { showExact, showMoney } from '@core/words/numbers';
import { NitrogenStrip, nitrogenParts } from '../../ui/nitrogen-strip';
import { SulfurSign } from '../../ui/marks';
import { Substances } from '../../ui/substance';
import { priceFigure } from './shelf-groups';
import { useUnits } from '../../ui/format';
import { packageWords } from '../../work/package-words';

function MadeOf({ product }: { product: Product }) {
  const parts = nitrogenParts(product);
  if (parts.length > 0)
    return (
      <>
        <NitrogenStrip parts={parts} width={205} of={product.guaranteed.N ?? 0} />
        <span className="forms">
          {parts.map((part) => (
            <span key={part.word}>
              {part.word} <b>{showExact(part.percent, 1)}</b>
            </span>
          ))}
        </span>
      </>
    );
  const { guaranteed, limeKind } = product;
  const says = limeKind
    ? `${limeKind} lime, ECCE ${product.eccePercent ?? product.ccePercent ?? 'not given'}`
    : guaranteed.K2O
      ? `potash from ${(guaranteed.Cl ?? 0) > 10 ? 'chloride' : 'sulfate'}, no nitrogen`
      : guaranteed['S-free']
        ? 'free sulfur pushes pH down'
        : guaranteed.Fe
          ? `iron ${guaranteed.Fe} %, no nitrogen`
          : guaranteed.Ca
            ? `calcium ${guaranteed.Ca} %, does not change pH`
            : 'no nitrogen';
  return <span className="small">{says}</span>;
}

/** One bag on the board: what it is, what it is made of, what it costs, what is left of it. */
export function ProductRow({ product, current, onOpen }: { product: Product; current: boolean; onOpen: () => void }) {
  const units = useUnits();
  const { guaranteed } = product;
  const [free, combined] = [guaranteed['S-free'] ?? 0, guaranteed['S-combined'] ?? 0];
  const carriers = saltCarriers(product) as Record<string, number>;
  const salt = sureFigure(
    productSalt,
    { rateLb: traced(1, 'a pound of it'), carrierPercents: traced(carriers, `label, ${product.name}, by its salts`) },
    { title: `${product.name}, salt index`, unit: 'sodium nitrate = 100', part: 'index', usedIn: 'Shelf.' },
  );
  const price = priceFigure(product);
  const of = packageLb(product);
  const onHand = product.onHandLb ?? 0;
  const liquid = product.form === 'liquid';
  const bag = product.package?.gal === undefined ? 'bag' : 'jug';
  return (
    <li className={current ? 'bagrow is-current' : 'bagrow'}>
      <div className="face">
        <BagFace product={product} />
      </div>
      <div className="named">
        <button type="button" className="open" onClick={onOpen} aria-expanded={current}>
          {product.name}
        </button>
        <span>
          {product.package?.gal !== undefined ? 'jug of ' : product.package?.lb !== undefined ? 'bag ' : ''}
          {packageWords(product, units)}
          {liquid && product.lbPerGal
            ? `, ${units.printed('liquid-density', product.lbPerGal, product.typed?.lbPerGal)}`
            : ''}
        </span>
      </div>
      <div className="made">
        <MadeOf product={product} />
        {product.unfinished && (
          <span className="small fault">
            {formsShortBy(product) > 0 ? `forms ${showExact(formsShortBy(product), 2)} % short` : 'not finished'}
          </span>
        )}
      </div>
      <div className="sulf">
        {free === 0 && combined === 0 && <span className="quiet">none</span>}
        {free > 0 && (
          <span>
            <SulfurSign kind="free" /> <b>{showExact(free, 1)}</b> free
          </span>
        )}
        {combined > 0 && (
          <span>
            <SulfurSign kind="combined" /> <b>{showExact(combined, 1)}</b> combined
          </span>
        )}
      </div>
      <div className="clsalt">
        {(guaranteed.N ?? 0) + (guaranteed.K2O ?? 0) === 0 ? (
          <span className="quiet">none</span>
        ) : (
          <>
            <span>
              <b>{showExact(guaranteed.Cl ?? 0, 1)}</b> Cl
            </span>
            <span>
              <b>
                <Fig figure={salt} show={(value) => showExact(value, 0)} />
              </b>{' '}
              salt
            </span>
          </>
        )}
      </div>
      <div className="price">
        {price ? (
          <>
            <b>
              <Fig figure={price.figure} show={(perLb) => units.price(perLb)} />
            </b>{' '}
            a <Substances text={units.unit('weight', price.substance)} />
          </>
        ) : (
          <span className="quiet">{product.package?.price === undefined ? 'no price' : 'no price by weight'}</span>
        )}
        {product.package?.price !== undefined && (
          <span>
            {showMoney(product.package.price)} a {bag}
          </span>
        )}
      </div>
      <div className="hand">
        <BagsOnHand lb={onHand} packageLb={of} />
        <b>{onHand > 0 ? units.weight(onHand) : 'none'}</b>
        {onHand > 0 && of !== undefined && (
          <span>
            {Math.floor(onHand / of + 1e-9) > 0 && `${Math.floor(onHand / of + 1e-9)} full`}
            {onHand % of > 0.05 && `${Math.floor(onHand / of) > 0 ? ', ' : ''}${units.weight(onHand % of)} open`}
          </span>
        )}
      </div>
    </li>
  );
}
