import type { TypedText } from '@core/records/typed-schema';
import { isRefusal } from '@core/reckoning/refusal';
import type { QuantityId, Units } from '../ui/format';

/**
 * Numbers of a record in a form, both ways. A field that was not touched keeps its number to the last digit, whatever units it was shown
 * in; what was typed in a unit of its own is kept with the words it was typed in.
 */

type Texts = Readonly<Record<string, TypedText>>;

/** What fields held when a form was filled, by the name of the number. */
export type FirstTexts = Record<string, { text: string; value: number }>;

/** Fills the fields of a form. */
export class FieldTexts {
  readonly first: FirstTexts = {};

  constructor(
    private readonly units: Units,
    private readonly typed: Texts = {},
  ) {}

  /** The text of a number; `quantity` is left out where it has no unit of two systems. */
  text(name: string, value: number | undefined, quantity?: QuantityId): string {
    if (value === undefined) return '';
    const text = this.units.field(quantity, value, this.typed[name]);
    this.first[name] = { text, value };
    return text;
  }

  /** The same of what a label prints: in the unit it is printed in, which is the record's where nothing else was typed. */
  printed(name: string, value: number | undefined, quantity: QuantityId, unit: string): string {
    if (value === undefined) return '';
    if (this.typed[name]?.value === value || this.units.setting.system === 'us')
      return this.text(name, value, quantity);
    const text = `${this.units.plain(value)} ${unit}`;
    this.first[name] = { text, value };
    return text;
  }
}

/** Reads the fields of a form; what is no number leaves a sentence at its field. */
export class FieldNumbers {
  readonly faults: Record<string, string> = {};
  /** What was typed in another unit than the record's. */
  readonly typed: Record<string, TypedText> = {};

  constructor(
    private readonly units: Units,
    private readonly first: FirstTexts = {},
    private readonly before: Texts = {},
  ) {}

  /**
   * @param name of the number in the record
   * @param field where a fault is shown
   */
  read(
    text: string,
    { name, label, field, quantity }: { name: string; label: string; field: string; quantity?: QuantityId },
  ) {
    const first = this.first[name];
    if (first?.text === text) {
      const before = this.before[name];
      if (before?.value === first.value) this.typed[name] = before;
      return first.value;
    }
    if (quantity === undefined) return this.kept(this.units.readPlain(text, label, field), field);
    const read = this.units.read(quantity, text, label, field);
    if (read !== undefined && !isRefusal(read) && read.unit !== this.units.coreUnit(quantity))
      this.typed[name] = { text: read.text, unit: read.unit, value: read.value };
    return this.kept(isRefusal(read) ? read : read?.value, field);
  }

  private kept(value: ReturnType<Units['readPlain']>, field: string): number | undefined {
    if (!isRefusal(value)) return value;
    this.faults[field] = value.refused;
    return undefined;
  }
}
