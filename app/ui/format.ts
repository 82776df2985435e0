import { createContext, useContext } from 'react';
import type { UnitsSetting } from '@core/records/settings-schema';
import { isRefusal, type Refusal } from '@core/reckoning/refusal';
import type { TypedText } from '@core/records/typed-schema';
import type { CsvUnits } from '@core/files/plan-csv';
import { type NumberStyle, numberStyle, readNumber } from '@core/typed/number-style';
import { type TypedQuantity, typedQuantity } from '@core/typed/typed-quantity';
import { inUnit, type UnitId } from '@core/units/table';
import { roundedTo, showMoney } from '@core/words/numbers';
import { numberOf, rewritten } from './said-quantities';

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
  /** A distance between two, where the zeros of the units differ. */
  difference?: true;
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
  /** Lime by the load: tons of 2000 lb, or of 1000 kg. */
  bulk: { us: shown('ton', 'tons', always(2)), si: shown('t', 't', always(2)) },
  /** What a weighed amount holds of a nutrient. */
  content: { us: shown('lb', 'lb {}', always(2)), si: shown('kg', 'kg {}', always(2)) },
  area: { us: shown('ft2', 'sq ft', always(0)), si: shown('m2', 'm²', always(0)) },
  length: { us: shown('ft', 'ft', always(1)), si: shown('m', 'm', always(2)) },
  /** Above the sea. */
  height: { us: shown('ft', 'ft', always(0)), si: shown('m', 'm', always(0)) },
  /** Of soil, mowing and water. */
  depth: { us: shown('in', 'in', always(2)), si: shown('mm', 'mm', always(0)) },
  'temperature-difference': {
    us: shown('deg F', '°F', always(0)),
    si: shown('deg C', '°C', always(1)),
    difference: true,
  },
  /** Of a month or a week. */
  rain: { us: shown('in', 'in', always(1)), si: shown('mm', 'mm', always(0)) },
  /** Between places. */
  distance: { us: shown('mile', 'miles', always(0)), si: shown('km', 'km', always(0)) },
  temperature: { us: shown('deg F', '°F', always(0)), si: shown('deg C', '°C', always(1)) },
  /** Of what is weighed in small. */
  'small-weight': { us: shown('oz', 'oz {}', always(1)), si: shown('g', 'g {}', always(0)) },
  volume: {
    us: shown('gal', 'gal {}', (value) => (value < 100 ? 2 : 0)),
    si: shown('L', 'L {}', (value) => (value < 100 ? 1 : 0)),
  },
  /** Of a liquid product. */
  bottle: { us: shown('fl oz', 'fl oz {}', always(1)), si: shown('mL', 'mL {}', always(0)) },
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
  'soil-mass': {
    us: shown('lb/1000 ft2', 'lb {} per 1000 sq ft', always(0)),
    si: shown('g/m2', 'g {} per m²', always(0)),
  },
  carrier: {
    us: shown('gal/1000 ft2', 'gal {} per 1000 sq ft', always(2)),
    si: shown('L/100 m2', 'L {} per 100 m²', always(1)),
  },
  flow: { us: shown('gal/min', 'gal/min', always(3)), si: shown('L/min', 'L/min', always(2)) },
  pressure: { us: shown('psi', 'psi', always(1)), si: shown('kPa', 'kPa', always(0)) },
  'spray-volume': { us: shown('gal/acre', 'gal per acre', always(1)), si: shown('L/ha', 'L per ha', always(0)) },
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
/** Decimals of a number in a field: a hundredth of a millimetre on a metre. */
const FIELD_DECIMALS = 5;
/** Half a unit in the last place of a sum. */
const NOISE = 1e-9;

/** One, two or five of a power of ten, the least that parts a range into at most so many. */
function niceStep(range: number, most: number): number {
  const rough = range / most;
  const power = 10 ** Math.floor(Math.log10(rough));
  return ([1, 2, 5, 10].find((each) => each * power >= rough - NOISE) ?? 10) * power;
}

/** Numbers and units as they were chosen. */
export class Units {
  readonly #written = new Map<number, Intl.NumberFormat>();

  readonly #style: NumberStyle;

  constructor(readonly setting: UnitsSetting = US_UNITS) {
    this.#style = numberStyle(setting.locale);
  }

  private of(id: QuantityId): Shown {
    const { system, nutrientRate } = this.setting;
    return id === 'nutrient-rate' && system === 'si' && nutrientRate === 'kg/ha' ? PER_HECTARE : QUANTITIES[id][system];
  }

  /** A number of the core, in the unit that is shown. */
  inShown(id: QuantityId, us: number): number {
    const { us: core, difference }: Quantity = QUANTITIES[id];
    const { unit } = this.of(id);
    return inUnit(us, core.unit, unit) - (difference ? inUnit(0, core.unit, unit) : 0);
  }

  /**
   * The number of the core that is exactly what is shown, for parts that are printed beside their sum.
   *
   * @example new Units().rounded('nutrient-rate', 0.7512) // 0.75
   */
  rounded(id: QuantityId, us: number): number {
    const shown = this.inShown(id, us);
    const { unit, decimals } = this.of(id);
    return inUnit(roundedTo(shown, decimals(Math.abs(shown))), unit, QUANTITIES[id].us.unit);
  }

  /** The unit the core reckons a quantity in. */
  coreUnit(id: QuantityId): UnitId {
    return QUANTITIES[id].us.unit;
  }

  /** The unit a number without one is meant in, where it is typed. */
  unitTyped(id: QuantityId): UnitId {
    return this.of(id).unit;
  }

  /**
   * What a person typed for a quantity, in the core's unit: a number in the unit that is shown, or with its own behind it.
   *
   * @example new Units().read('weight', '12 kg', 'Weighed out', 'weighed') // { value: 26.45…, text: '12 kg', unit: 'kg' }
   */
  read(id: QuantityId, text: string, label: string, field: string): TypedQuantity | undefined | Refusal {
    return typedQuantity(text, {
      shown: this.unitTyped(id),
      core: QUANTITIES[id].us.unit,
      style: this.#style,
      label,
      field,
    });
  }

  /** The number alone of what a person typed for a quantity. */
  value(id: QuantityId, text: string, label: string, field: string): number | undefined | Refusal {
    const read = this.read(id, text, label, field);
    return read === undefined || isRefusal(read) ? read : read.value;
  }

  /** A number that is no quantity, as a person of the locale types it: a pH, a percent, ppm. */
  readPlain(text: string, label: string, field: string): number | undefined | Refusal {
    return readNumber(text, this.#style, label, field);
  }

  /**
   * A number as a field holds it before anything is typed: as it was typed once, or in the unit that is shown, with what its last
   * figures need.
   *
   * @param typed what it was typed as, where that is known
   */
  field(id: QuantityId | undefined, us: number | undefined, typed?: TypedText): string {
    if (us === undefined) return '';
    if (typed && typed.value === us && id !== undefined) {
      const bare = /^[-−]?[\d.,\s]+$/.test(typed.text);
      return bare && typed.unit !== this.unitTyped(id) ? `${typed.text} ${typed.unit}` : typed.text;
    }
    return this.plain(id === undefined ? us : this.inShown(id, us), FIELD_DECIMALS);
  }

  /** A number as short as it is, with at most so many decimals; with all it has where nothing is said. */
  plain(value: number, most?: number): string {
    const text = String(most === undefined ? value : roundedTo(value, most));
    return text.includes('e') ? text : this.#localized(text);
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
    const { decimals } = this.of(id);
    const value = this.inShown(id, us);
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

  /**
   * A sentence of the core, which has its amounts in US units, in the chosen ones and with the locale's signs.
   *
   * @example new Units({ …, system: 'si' }).said('One day brings 1.10 lb soluble N per 1000.') // 'One day brings 5.4 g soluble N per m².'
   */
  said(sentence: string): string {
    const { system } = this.setting;
    if (system === 'us' && this.#style.decimal === '.' && this.#style.group === ',') return sentence;
    const plain = (text: string) => this.#localized(text);
    if (system === 'us') return rewritten(sentence, { number: plain, plain, unit: (_, as) => as });
    const said = rewritten(sentence, {
      number: (text, { quantity }) => this.show(quantity, numberOf(text)),
      unit: ({ quantity, of, withArea }) => (withArea ? this.unit(quantity, of) : this.short(quantity, of)),
      plain,
    });
    return said.replace(/per 1000 (?:sq ft|ft2)/g, this.setting.nutrientRate === 'kg/ha' ? 'per ha' : 'per m²');
  }

  /** A number that a sentence has, with the signs of the locale and as many decimals as it has. */
  #localized(text: string): string {
    const { decimal, group } = this.#style;
    return text.replace(/[.,]/g, (sign) => (sign === '.' ? decimal : group));
  }

  /** The same over a column: 'Per 1000 sq ft'. */
  perArea(id: QuantityId): string {
    const area = this.areaOf(id);
    return `Per ${area === '1000' ? '1000 sq ft' : area}`;
  }

  /** The area that a rate is on, in words: 'per {1000}'. */
  areaOf(id: QuantityId): string {
    return this.heading(id).split(' per ')[1] ?? '';
  }

  /** A round step of the chosen unit that parts a range of the core into at most so many, in the core's unit. */
  tickStep(id: QuantityId, range: number, most: number): number {
    const factor = this.inShown(id, 1);
    return niceStep(range * factor, most) / factor;
  }

  /** Round numbers of the chosen unit between two of the core, at most so many, with where they lie in the core's unit. */
  ticks(id: QuantityId, from: number, to: number, most: number): { us: number; says: string }[] {
    const [low, high] = [this.inShown(id, from), this.inShown(id, to)];
    const step = niceStep(high - low, most);
    const decimals = Math.max(0, -Math.floor(Math.log10(step) + NOISE));
    const first = Math.ceil(low / step - NOISE);
    const count = Math.floor(high / step + NOISE) - first + 1;
    const unit = this.of(id).unit;
    return Array.from({ length: Math.max(0, count) }, (_, i) => {
      const shown = (first + i) * step;
      return { us: inUnit(shown, unit, QUANTITIES[id].us.unit), says: this.number(shown, decimals) };
    });
  }

  /** A count on a square inch, or on a square centimetre. */
  onSquare(perSqIn: number): { count: string; of: string } {
    const perSqCm = perSqIn / inUnit(1, 'in', 'cm') ** 2;
    return this.setting.system === 'us'
      ? { count: this.plain(perSqIn, 1), of: 'a sq in' }
      : { count: this.number(perSqCm, 1), of: 'a cm²' };
  }

  /** Money for a weight, which stands under a fraction line: dollars a pound, or a kilogram. */
  price(perLb: number): string {
    return showMoney(perLb / this.inShown('weight', 1));
  }

  /** A number of a label with its unit, as it is printed there: never converted. */
  printed(id: QuantityId, us: number, typed?: TypedText): string {
    if (typed && typed.value === us) return /[a-z]/i.test(typed.text) ? typed.text : `${typed.text} ${typed.unit}`;
    return `${this.plain(us, 2)} ${QUANTITIES[id].us.says.replace(/ ?\{\} ?/, '')}`;
  }

  /** Several numbers in one text, with their decimals after points: a comma that parts two of them stays. */
  withPoints(text: string): string {
    return this.#style.decimal === ',' ? text.replace(/(\d),(?=\d)/g, '$1.') : text;
  }

  /** The sign before decimals. */
  get decimalSign(): string {
    return this.#style.decimal;
  }

  /** The units of a table that is exported. */
  ofTables(): CsvUnits {
    const { system, nutrientRate } = this.setting;
    return system === 'us'
      ? { weight: 'lb', rate: 'lb/1000 ft2', bulk: 'ton' }
      : { weight: 'kg', rate: nutrientRate, bulk: 't' };
  }

  /** What lengths are measured in, in words. */
  lengthInWords(): string {
    return this.setting.system === 'us' ? 'feet' : 'meters';
  }

  /** How far a key moves a point on the drawing sheet, and what points snap to. */
  drawingStep(): { ft: number; snaps: string; says: string; ten: string } {
    return this.setting.system === 'us'
      ? { ft: 1, snaps: 'whole feet', says: '1 ft', ten: '10 ft' }
      : { ft: inUnit(0.5, 'm', 'ft'), snaps: 'half meters', says: `${this.number(0.5, 1)} m`, ten: '5 m' };
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
