import * as yup from 'yup';
import { UNIT_IDS, type UnitId } from '../units/table';
import { num, text, word } from './strict-schema';

/** A number as it was typed in a unit of its own: '12 kg'. It is shown again so, whatever units are shown by then. */
const typedTextSchema = yup.object({
  text: text('Typed', 40).required(),
  unit: word('Unit', UNIT_IDS).required(),
  /** The number of the record that it gave; where the record has another by now, the text is of the past. */
  value: num('Typed value').required(),
});
export interface TypedText {
  text: string;
  unit: UnitId;
  value: number;
}

/** More fields than any record has. */
const MOST_FIELDS = 200;

/** What was typed in other units than the record's, by the name of its field. */
export const typedTexts = () =>
  yup.mixed<Record<string, TypedText>>().test('typed', 'What was typed is not readable.', (value) => {
    if (value === undefined) return true;
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const fields = Object.entries(value);
    return (
      fields.length <= MOST_FIELDS &&
      fields.every(([field, each]) => field.length <= 80 && typedTextSchema.isValidSync(each, { strict: true }))
    );
  });
