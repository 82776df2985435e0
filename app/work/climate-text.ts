import { climateSchema, type Climate } from '@core/records/case';
import { checkShape } from '@core/records/strict-schema';
import type { Units } from '../ui/format';
import { isRefusal, type Refusal, refuse } from '@core/reckoning/refusal';

/** Twelve numbers typed or pasted with spaces, commas or line ends between. */
export function twelveNumbers(
  text: string,
  label: string,
  field: string,
  quantity: 'temperature' | 'depth',
  units: Units,
): number[] | Refusal {
  const parts = units
    .withPoints(text)
    .trim()
    .split(/[\s,;]+/)
    .filter(Boolean);
  if (parts.length !== 12)
    return refuse(field, `${label} needs twelve numbers, January to December; ${parts.length} found.`);
  const numbers: number[] = [];
  for (const part of parts) {
    const value = units.value(quantity, part, label, field);
    if (isRefusal(value)) return value;
    numbers.push(value as number);
  }
  return numbers;
}

/** Reads typed normals into a climate, or the first fault with its field. */
export function climateFromText(
  typed: {
    highs: string;
    lows: string;
    rain?: string;
    lastFrost: string;
    firstFrost: string;
  },
  units: Units,
): Climate | Refusal {
  const highs = twelveNumbers(typed.highs, 'Mean highs', 'highs', 'temperature', units);
  if (isRefusal(highs)) return highs;
  const lows = twelveNumbers(typed.lows, 'Mean lows', 'lows', 'temperature', units);
  if (isRefusal(lows)) return lows;
  const say = (f: number) => units.field('temperature', f);
  const month = highs.findIndex((high, i) => high < (lows[i] as number));
  if (month >= 0)
    return refuse(
      'lows',
      `Month ${month + 1}: the mean low, ${say(lows[month] as number)}, is above the mean high, ${say(highs[month] as number)}. Check both rows.`,
    );
  const rain = typed.rain?.trim() ? twelveNumbers(typed.rain, 'Monthly rain', 'rain', 'depth', units) : undefined;
  if (isRefusal(rain)) return rain;
  const frost = (text: string) => text.trim() || undefined;
  const climate = checkShape(climateSchema, {
    meanHighF: highs,
    meanLowF: lows,
    ...(rain ? { rainIn: rain } : {}),
    ...(frost(typed.lastFrost) ? { lastFrost: frost(typed.lastFrost) } : {}),
    ...(frost(typed.firstFrost) ? { firstFrost: frost(typed.firstFrost) } : {}),
  });
  if (!isRefusal(climate)) return climate as Climate;
  const field = climate.field.startsWith('meanHigh')
    ? 'highs'
    : climate.field.startsWith('meanLow')
      ? 'lows'
      : climate.field.startsWith('rain')
        ? 'rain'
        : climate.field;
  return refuse(field, climate.refused.replace(/ \([^)]*\)$/, ''));
}
