import { Button } from 'antd';
import { useState } from 'react';
import { mixCautions, mixNitrogenSays, mixOrder } from '@core/field/mix-order';
import { sprayRefused } from '@core/field/spray-refused';
import { sprayTank } from '@core/field/tank';
import { densityOf, flOzOf } from '@core/products/as-weighed';
import type { Product } from '@core/records/case';
import { evaluate } from '@core/reckoning/define';
import { isRefusal } from '@core/reckoning/refusal';
import { FL_OZ_PER_GAL, OZ_PER_LB } from '@core/units/conversions';
import { ChoiceField, Fault, TextField } from '../../ui/field';
import { useUnits } from '../../ui/format';
import { amountOf } from '../../work/amount-out';

const MOST_PRODUCTS = 5;
/** A quart jar, gal. */
const JAR_GAL = 0.25;
interface Line {
  productId: string | undefined;
  rate: string;
}

/** Finished spray and tanks for several products at once: what goes in, in which order, and the jar that is tried first. */
export function TankOfSeveral({ products }: { products: readonly Product[] }) {
  const units = useUnits();
  const [lines, setLines] = useState<Line[]>([{ productId: undefined, rate: '' }]);
  const [typed, setTyped] = useState({ area: '', carrier: '', tank: '' });
  const set = (key: keyof typeof typed) => (text: string) => setTyped((before) => ({ ...before, [key]: text }));
  const change = (at: number, to: Partial<Line>) =>
    setLines((before) => before.map((line, i) => (i === at ? { ...line, ...to } : line)));
  const area = units.value('area', typed.area, 'Ground', 'area');
  const carrier = units.value('carrier', typed.carrier, 'Finished spray', 'carrier');
  const tank = units.value('volume', typed.tank, 'Tank', 'tank');
  const read = lines.map(({ productId, rate }) => {
    const product = products.find(({ id }) => id === productId);
    const out = amountOf(units, product);
    return { product, out, rateLb: out.readRate(rate, 'Rate', 'rate') };
  });
  const chosen = read.flatMap(({ product, out, rateLb }) =>
    product && typeof rateLb === 'number' && rateLb > 0 ? [{ product, out, rateLb }] : [],
  );
  const inOrder = mixOrder(chosen.map((each) => ({ ...each, form: each.product.form })));
  const entries = inOrder.map(({ product, rateLb }, i) => ({ key: `p${i}`, density: densityOf(product), rateLb }));
  // one that burns leaves is refused whatever else is in the tank
  const refused = [
    ...chosen.map(({ product, rateLb }) =>
      sprayRefused(product, rateLb, typeof carrier === 'number' ? carrier : undefined),
    ),
    mixNitrogenSays(chosen),
  ].find((says) => says !== undefined);
  const answer =
    refused === undefined &&
    chosen.length > 0 &&
    typeof area === 'number' &&
    typeof carrier === 'number' &&
    typeof tank === 'number'
      ? evaluate(sprayTank, {
          areaSqFt: area,
          carrierGalPer1000: carrier,
          tankGal: tank,
          liquidsOzPer1000: Object.fromEntries(
            entries.flatMap(({ key, density, rateLb }) =>
              density === undefined ? [] : [[key, flOzOf(rateLb, density)] as const],
            ),
          ),
          drysLbPer1000: Object.fromEntries(
            entries.flatMap(({ key, density, rateLb }) => (density === undefined ? [[key, rateLb] as const] : [])),
          ),
        })
      : undefined;
  const found = answer && !isRefusal(answer) ? (answer as Record<string, number>) : undefined;
  const amount = (i: number, of: 'all' | 'perFullTank' | 'lastTank'): string => {
    const { density } = entries[i] as (typeof entries)[number];
    const value = found?.[`p${i}.${of}`] ?? 0;
    return (inOrder[i] as (typeof inOrder)[number]).out.say(
      density === undefined ? value : (value / FL_OZ_PER_GAL) * density,
    );
  };
  const hasFull = (found?.fullTanks ?? 0) > 0;
  const hasLast = (found?.lastTankGal ?? 0) > 0;
  const columns = [...(hasFull ? (['perFullTank'] as const) : []), ...(hasLast ? (['lastTank'] as const) : [])];
  if (products.length === 0) return null;
  return (
    <section aria-labelledby="several">
      <h2 id="several">A tank of several products</h2>
      <div className="kitfields">
        <TextField
          label="Ground"
          unit={units.unit('area')}
          inputMode="decimal"
          value={typed.area}
          fault={isRefusal(area) ? area.refused : undefined}
          onChange={set('area')}
        />
        <TextField
          label="Finished spray"
          unit={units.unit('carrier')}
          inputMode="decimal"
          value={typed.carrier}
          fault={isRefusal(carrier) ? carrier.refused : undefined}
          onChange={set('carrier')}
        />
        <TextField
          label="One tank holds"
          unit={units.unit('volume')}
          inputMode="decimal"
          value={typed.tank}
          fault={isRefusal(tank) ? tank.refused : undefined}
          onChange={set('tank')}
        />
      </div>
      {lines.map((line, i) => (
        <div key={i} className="kitfields">
          <ChoiceField
            label={`Product ${i + 1}`}
            value={line.productId}
            options={products.map(({ id, name }) => ({ value: id, label: name }))}
            onChange={(productId) => change(i, { productId })}
          />
          <TextField
            label={`Rate ${i + 1}`}
            unit={read[i]?.out.rateUnit}
            inputMode="decimal"
            value={line.rate}
            fault={isRefusal(read[i]?.rateLb) ? read[i].rateLb.refused : undefined}
            onChange={(rate) => change(i, { rate })}
          />
        </div>
      ))}
      <p className="links">
        {lines.length < MOST_PRODUCTS && (
          <Button onClick={() => setLines([...lines, { productId: undefined, rate: '' }])}>Add a product</Button>
        )}
        {lines.length > 1 && <Button onClick={() => setLines(lines.slice(0, -1))}>Remove the last</Button>}
      </p>
      <Fault>{refused ?? (answer && isRefusal(answer) ? answer.refused : undefined)}</Fault>
      {mixCautions(chosen.map(({ product }) => product)).map((says) => (
        <p key={says} className="caution small">
          {says}
        </p>
      ))}
      {found && (
        <div
          className="pan"
          tabIndex={0}
          role="group"
          aria-label="What goes into each tank, pans sideways where it is narrow"
        >
          <table className="walktable">
            <caption className="vh">What goes into each tank, in the order of mixing</caption>
            <thead>
              <tr>
                <th scope="col">In this order</th>
                <th scope="col">in all</th>
                {hasFull && (
                  <th scope="col">
                    {units.plain(found.fullTanks ?? 0, 0)} full, each {units.say('volume', found.fullTankGal ?? 0)}
                  </th>
                )}
                {hasLast && <th scope="col">last, {units.say('volume', found.lastTankGal ?? 0)}</th>}
                <th scope="col">in a quart jar</th>
              </tr>
            </thead>
            <tbody>
              <tr>
                <th scope="row">Water, half of it first, agitator on; the rest to the line last</th>
                <td>{units.say('volume', found.waterGal ?? 0)}</td>
                {hasFull && <td>{units.say('volume', found.waterPerFullTankGal ?? 0)}</td>}
                {hasLast && <td>{units.say('volume', found.waterLastTankGal ?? 0)}</td>}
                <td>{units.say('volume', JAR_GAL)}</td>
              </tr>
              {inOrder.map(({ product, out, rateLb }, i) => (
                <tr key={product.id}>
                  <th scope="row">{product.name}</th>
                  <td>{amount(i, 'all')}</td>
                  {columns.map((of) => (
                    <td key={of}>{amount(i, of)}</td>
                  ))}
                  <td>
                    {typeof carrier === 'number' && densityOf(product) !== undefined
                      ? units.say(
                          'bottle',
                          flOzOf((rateLb / carrier) * JAR_GAL, densityOf(product) as number),
                          'product',
                        )
                      : typeof carrier === 'number'
                        ? units.say('small-weight', (rateLb / carrier) * JAR_GAL * OZ_PER_LB, 'product')
                        : out.unit}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="small">
            The jar first: 15 to 30 minutes, no flakes, no layers, no heat. What does not fit goes into another tank.
            Labels come before this order.
          </p>
        </div>
      )}
    </section>
  );
}
