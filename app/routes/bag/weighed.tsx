import { useState } from 'react';
import { Button } from 'antd';
import type { Product, Zone } from '@core/records/case';
import { ERROR_PERCENT } from '@core/ground/area-error';
import { checkSpread, type GradeNutrient } from '@core/products/bag/bag-check';
import { isRefusal } from '@core/reckoning/refusal';
import { TextField } from '../../ui/field';
import { Fig } from '../../ui/fig';
import { StandingGlyph } from '../../ui/glyphs';
import { Mark } from '../../ui/marks';
import { Said, Substances } from '../../ui/substance';
import { useUnits } from '../../ui/format';
import { amountOf } from '../../work/amount-out';

const WALK_PERCENT = 5;

/** The reverse of a prescription: so much was weighed, so much came back, so much was spread. */
export function Weighed({
  product,
  zone,
  asks,
}: {
  product: Product;
  zone: Zone;
  asks: { nutrient: GradeNutrient; lb: number } | undefined;
}) {
  const units = useUnits();
  const out = amountOf(units, product);
  const fresh = { weighed: '', back: '', area: units.show('area', zone.areaSqFt) };
  const [typed, setTyped] = useState(fresh);
  const read = (
    text: string,
    label: string,
    quantity: 'amount' | 'area',
    most: number,
  ): { value?: number; fault?: string } => {
    // the zone's own ground, as long as nobody wrote over it
    const value =
      quantity === 'amount'
        ? out.read(text, label, label)
        : text === fresh.area
          ? zone.areaSqFt
          : units.value('area', text, label, label);
    if (isRefusal(value)) return { fault: value.refused };
    if (value !== undefined && (value < 0 || value > most))
      return {
        fault: `${label} must be between 0 and ${quantity === 'amount' ? out.say(most) : units.say('area', most)}.`,
      };
    return { value };
  };
  const weighed = read(typed.weighed, out.isLiquid ? 'The amount' : 'The weight', 'amount', 1_000_000);
  const back = read(typed.back, out.isLiquid ? 'The amount left' : 'The weight left', 'amount', 1_000_000);
  const area = read(typed.area, 'The ground', 'area', 50_000_000);
  const backFault =
    back.fault ??
    (weighed.value !== undefined && (back.value ?? 0) > weighed.value
      ? `More came back than was ${out.isLiquid ? 'measured' : 'weighed'} out.`
      : undefined);
  const areaFault = area.fault ?? (area.value === 0 ? 'Type how much ground was covered.' : undefined);
  const errorPercent = zone.measuredBy && zone.measuredBy !== 'walk' ? ERROR_PERCENT[zone.measuredBy] : WALK_PERCENT;
  const spread =
    weighed.value !== undefined && weighed.value > 0 && !backFault && !areaFault && area.value !== undefined
      ? checkSpread(
          product,
          { weighedLb: weighed.value, backLb: back.value ?? 0, areaSqFt: area.value },
          asks,
          errorPercent,
        )
      : undefined;
  const set = (key: keyof typeof typed) => (text: string) => setTyped((before) => ({ ...before, [key]: text }));
  return (
    <section className="weighed" aria-labelledby="weighed">
      <h2 id="weighed">{out.isLiquid ? 'So much measured, so much sprayed' : 'So much weighed, so much spread'}</h2>
      <TextField
        label={out.isLiquid ? 'Measured out' : 'Weighed out'}
        unit={out.unit}
        inputMode="decimal"
        value={typed.weighed}
        fault={weighed.fault}
        onChange={set('weighed')}
      />
      <TextField
        label={out.isLiquid ? 'Left over' : 'Left in the hopper'}
        unit={out.unit}
        inputMode="decimal"
        value={typed.back}
        fault={backFault}
        onChange={set('back')}
      />
      <TextField
        label="Ground covered"
        unit={units.unit('area')}
        inputMode="decimal"
        value={typed.area}
        fault={areaFault}
        onChange={set('area')}
      />
      {spread ? (
        <>
          <ul className="totals">
            <li>
              {out.isLiquid ? 'Sprayed' : 'Spread'} <span className="leader" /> <b>{out.show(spread.spreadLb)}</b>{' '}
              <span className="small">{out.unit}</span>
            </li>
            <li>
              {units.perArea('product-rate')} <span className="leader" />{' '}
              <b>
                <Fig figure={spread.rate} show={out.showRate} />
              </b>{' '}
              <span className="small">{out.rateShort}</span>
            </li>
            {(Object.keys(spread.per1000) as GradeNutrient[]).map((nutrient) => (
              <li key={nutrient}>
                <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden="true">
                  <Mark purpose={nutrient} x={9} y={9} d={13} />
                </svg>
                per {units.areaOf('nutrient-rate')} <span className="leader" />{' '}
                <b>{spread.per1000[nutrient] && <Fig figure={spread.per1000[nutrient]} show={units.rate} />}</b>{' '}
                <span className="small">
                  <Substances text={units.short('nutrient-rate', nutrient)} />
                </span>
              </li>
            ))}
            {(Object.keys(spread.inAll) as GradeNutrient[]).map((nutrient) => (
              <li key={nutrient}>
                In all <span className="leader" />{' '}
                <b>
                  {spread.inAll[nutrient] && (
                    <Fig figure={spread.inAll[nutrient]} show={(lb) => units.show('content', lb)} />
                  )}
                </b>{' '}
                <span className="small">
                  <Substances text={units.unit('content', nutrient)} />
                </span>
              </li>
            ))}
          </ul>
          <p className={`say ${spread.standing}`}>
            <StandingGlyph standing={spread.standing} />
            <span>
              <Said text={spread.says} />
            </span>
          </p>
          <Button size="small" onClick={() => setTyped(fresh)}>
            Clear
          </Button>
        </>
      ) : (
        <p className="small">
          Type what the scale said; what it means per {units.areaOf('nutrient-rate')} stands here at once.
        </p>
      )}
    </section>
  );
}
