import { createContext, useContext } from 'react';
import type { UnitsSetting } from '@core/records/settings-schema';
import { inUnit, type UnitId } from '@core/units/table';
import { roundedTo } from '@core/words/numbers';

/**
 * Numbers and units as a person reads them. The core reckons in US units and full precision; here, and nowhere else, a number is brought to
 * the unit that was chosen, rounded as the trade rounds it there, and written as its locale writes it.
 */

/** How a quantity is shown in one system: the unit, how it is called, and how many decimals a number of a size has. */
interface Shown {
  unit: UnitId;
  /** The unit in words; `{}` stands for what is measured: lb {} per 1000 sq ft. */
  says: string;
  decimals: (value: number) => number;
}
interface Quantity {
  us: Shown;
  si: Shown;
}

const always = (decimals: number) => () => decimals;
const shown = (unit: UnitId, says: string, decimals: (value: number) => number): Shown => ({ unit, says, decimals });

/** Every quantity that is shown, a row each. */
export const QUANTITIES = {
  /** Of a nutrient: its name stands in the unit. */
  'nutrient-rate': {
    us: shown('lb/1000 ft2', 'lb {} per 1000 sq ft', always(2)),
    si: shown('g/m2', 'g {} per m²', always(1)),
  },
  /** Of a product or lime on an area. */
  'product-rate': {
    us: shown('lb/1000 ft2', 'lb {} per 1000 sq ft', (value) => (value < 10 ? 2 : 1)),
    si: shown('g/m2', 'g {} per m²', (value) => (value < 50 ? 1 : 0)),
  },
  /** What the scale shows. */
  weight: {
    us: shown('lb', 'lb {}', always(1)),
    si: shown('kg', 'kg {}', always(2)),
  },
  area: { us: shown('ft2', 'sq ft', always(0)), si: shown('m2', 'm²', always(0)) },
  length: { us: shown('ft', 'ft', always(1)), si: shown('m', 'm', always(2)) },
  /** Of soil, mowing and water. */
  depth: { us: shown('in', 'in', always(2)), si: shown('mm', 'mm', always(0)) },
  temperature: { us: shown('deg F', '°F', always(0)), si: shown('deg C', '°C', always(1)) },
  'liquid-rate': {
    us: shown('fl oz/1000 ft2', 'fl oz {} per 1000 sq ft', always(2)),
    si: shown('mL/100 m2', 'mL {} per 100 m²', always(0)),
  },
  /** Of iron and manganese on leaves. */
  'trace-rate': {
    us: shown('oz/1000 ft2', 'oz {} per 1000 sq ft', always(2)),
    si: shown('g/m2', 'g {} per m²', always(2)),
  },
  /** Of lime, gypsum and what neutralizes, as one weighs them out for an area. */
  'material-rate': {
    us: shown('lb/1000 ft2', 'lb {} per 1000 sq ft', always(1)),
    si: shown('g/m2', 'g {} per m²', (value) => (value < 50 ? 1 : 0)),
  },
  carrier: {
    us: shown('gal/1000 ft2', 'gal {} per 1000 sq ft', always(2)),
    si: shown('L/100 m2', 'L {} per 100 m²', always(1)),
  },
  'rain-rate': { us: shown('in/h', 'in/h', always(2)), si: shown('mm/h', 'mm/h', always(1)) },
  speed: { us: shown('mph', 'mph', always(1)), si: shown('km/h', 'km/h', always(1)) },
  'liquid-density': { us: shown('lb/gal', 'lb/gal', always(2)), si: shown('kg/L', 'kg/L', always(3)) },
} as const satisfies Record<string, Quantity>;
export type QuantityId = keyof typeof QUANTITIES;

/** Nutrient rates of farming, for whoever reads those. */
const PER_HECTARE: Shown = shown('kg/ha', 'kg {} per ha', always(0));

/** How a browser that chose nothing shows numbers. */
export const US_UNITS: UnitsSetting = { id: 'units', system: 'us', nutrientRate: 'g/m2', locale: 'en-US' };

const MINUS = '−';
/** Half a unit in the last place of a sum. */
const NOISE = 1e-9;

/** Numbers and units as they were chosen. */
export class Units {
  readonly #written = new Map<number, Intl.NumberFormat>();

  constructor(readonly setting: UnitsSetting = US_UNITS) {}

  private of(id: QuantityId): Shown {
    const { system, nutrientRate } = this.setting;
    return id === 'nutrient-rate' && system === 'si' && nutrientRate === 'kg/ha' ? PER_HECTARE : QUANTITIES[id][system];
  }

  /** A number in its locale, with so many decimals; nothing prints "−0". */
  number(value: number, decimals: number): string {
    const written =
      this.#written.get(decimals) ??
      new Intl.NumberFormat(this.setting.locale, {
        numberingSystem: 'latn',
        minimumFractionDigits: decimals,
        maximumFractionDigits: decimals,
      });
    this.#written.set(decimals, written);
    const text = written.format(Math.abs(value) + NOISE);
    return value < 0 && /[1-9]/.test(text) ? MINUS + text : text;
  }

  /**
   * The number of a quantity in the chosen unit. What is not nothing is never shown as nothing.
   *
   * @param us the number in the unit of the US column
   * @example new Units().show('nutrient-rate', 0.75) // '0.75'; in SI '3.7'
   */
  show(id: QuantityId, us: number): string {
    const { unit, decimals } = this.of(id);
    const value = inUnit(us, QUANTITIES[id].us.unit, unit);
    const text = this.number(value, decimals(Math.abs(value)));
    const least = 10 ** -decimals(Math.abs(value));
    return value > 0 && value < least / 2 && id !== 'temperature'
      ? `under ${this.number(least, decimals(value))}`
      : text;
  }

  /** The quantities that are shown most, as `show` of one number. */
  readonly rate = (us: number): string => this.show('nutrient-rate', us);
  readonly productRate = (us: number): string => this.show('product-rate', us);
  readonly weight = (us: number): string => this.show('weight', us);

  /**
   * A number with as many decimals as it needs in US units, so that printed sums add; in SI as it is always shown.
   *
   * @example new Units().exact('nutrient-rate', 3.125) // '3.125', and 3.5 is '3.5'
   */
  exact(id: QuantityId, us: number, most = 3): string {
    if (this.setting.system === 'si') return this.show(id, us);
    const decimals = Array.from({ length: most + 1 }, (_, n) => n).find((n) => Math.abs(us - roundedTo(us, n)) < NOISE);
    return this.number(us, decimals ?? most);
  }

  /** The unit of a quantity in words, with what is measured: unit('nutrient-rate', 'N') is 'lb N per 1000 sq ft'. */
  unit(id: QuantityId, of = ''): string {
    return this.of(id)
      .says.replace('{} ', of === '' ? '' : `${of} `)
      .replace(' {}', of === '' ? '' : ` ${of}`);
  }

  /** The unit where the area is understood: 'lb N', 'g N/m²'. */
  short(id: QuantityId, of = ''): string {
    return this.unit(id, of).replace(' per 1000 sq ft', '').replace(' per ', '/');
  }

  /** The unit as a narrow heading has it: 'lb N per 1000', 'g N per m²'. */
  heading(id: QuantityId, of = ''): string {
    return this.unit(id, of).replace(' per 1000 sq ft', ' per 1000');
  }

  /** Number and unit: say('weight', 23.62, 'product') is '23.6 lb product'. */
  say(id: QuantityId, us: number, of = ''): string {
    return `${this.show(id, us)} ${this.unit(id, of)}`;
  }
}

/** US units and American numbers: what files carry, and what a page shows before anything is chosen. */
export const usUnits = new Units();

export const UnitsContext = createContext(usUnits);

/** Numbers and units as this person reads them. */
export const useUnits = (): Units => useContext(UnitsContext);
