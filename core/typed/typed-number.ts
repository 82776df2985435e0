import { type Refusal, refuse } from '../reckoning/refusal';

/**
 * Reads a number as a person types it: thousands commas and a leading < allowed, letters and decimal commas refused
 * with a sentence. `label` names the field. Empty text is undefined. typedNumber('1,250.5', 'Area', 'area') is 1250.5.
 */
export function typedNumber(text: string, label: string, field: string): number | undefined | Refusal {
  const trimmed = text.trim().replaceAll('−', '-');
  if (trimmed === '') return undefined;
  if (/^-?\d+,\d{1,2}$/.test(trimmed))
    return refuse(
      field,
      `${label}: is "${trimmed}" meant as ${trimmed.replace(',', '.')}? Write the decimals after a point.`,
    );
  const plain = /^-?\d{1,3}(,\d{3})+(\.\d+)?$/.test(trimmed) ? trimmed.replaceAll(',', '') : trimmed;
  if (!/^-?(\d+\.?\d*|\.\d+)$/.test(plain))
    return refuse(
      field,
      `${label} must be a number; "${trimmed.slice(0, 30)}" is not. Use digits and a point, such as 5.6.`,
    );
  const value = Number(plain);
  return Number.isFinite(value) ? value : refuse(field, `${label} is too large to reckon with.`);
}
