import { isAdviceHeading } from './terms/advice';
import { extractFor, type Label, type Meaning, readLabel, unitFits } from './terms/label';
import { isMass } from './terms/names';
import { type ReportUnit, unitIn } from './terms/units';
/** Labels by what stands beside, over and under them. */

/** A column's heading: its own lines, and what the lines over it add of unit, method, or the first half of a name. */
export function readHeading(own: readonly string[], over: readonly string[]): Label {
  const [first = '', ...rest] = own;
  let label = readLabel(own.join(' '));
  if (label.meaning.kind === 'other' && rest.length > 0) {
    const alone = readLabel(first);
    if (alone.meaning.kind !== 'other') label = withContext(alone, rest);
  }
  if (over.length === 0) return label;
  if (label.meaning.kind !== 'analyte' || label.sure === 'guess') {
    for (let from = over.length - 1; from >= 0; from--) {
      const joined = readLabel([...over.slice(from), ...own].join(' '));
      if (joined.meaning.kind === 'analyte' && joined.sure !== 'guess') {
        label = joined;
        break;
      }
    }
    // advice under a heading that says so
    if (label.meaning.kind !== 'analyte' && over.some(isAdviceHeading)) {
      const advised = readLabel([...own, ...over].join(' '), true);
      if (advised.meaning.kind === 'advice') return advised;
    }
  } else if (over.some((text) => isAdviceHeading(text))) {
    const advised = readLabel([...own, ...over].join(' '), true);
    if (advised.meaning.kind === 'advice') return advised;
  }
  return withContext(label, over);
}

/** A label with the unit and the method that stand beside or over it, where it says none itself. */
export function withContext(label: Label, texts: readonly string[]): Label {
  if (label.meaning.kind !== 'analyte') return label;
  let { meaning } = label;
  let because = label.because;
  for (const text of texts) {
    const printed = meaning.unit ? undefined : unitOf(meaning.analyte, text);
    const { method, otherExtract } = meaning.method || meaning.otherExtract ? {} : extractFor(meaning.analyte, text);
    if (!printed && !method && !otherExtract) continue;
    meaning = {
      ...meaning,
      ...(printed
        ? {
            unit: printed.unit,
            ...(printed.factor === undefined ? {} : { factor: (meaning.factor ?? 1) * printed.factor }),
          }
        : {}),
      ...(method ? { method } : otherExtract ? { otherExtract } : {}),
    };
    because ??= `“${text}” stands over or under it`;
  }
  return meaning === label.meaning
    ? label
    : { ...label, meaning, sure: label.sure === 'guess' ? 'guess' : 'sure', ...(because ? { because } : {}) };
}

/** The unit of a text as it is one for this analyte. */
export function unitOf(
  analyte: Extract<Meaning, { kind: 'analyte' }>['analyte'],
  text: string,
): { unit: ReportUnit; factor?: number } | undefined {
  const { rest: _, ...printed } = unitIn(text) ?? { rest: '', unit: undefined };
  if (!printed.unit)
    return /base sat|saturation/i.test(text) && ['Ca', 'Mg', 'K', 'Na'].includes(analyte) ? { unit: '%' } : undefined;
  const named = readLabel(`${analyte === 'buffer-pH' ? 'buffer pH' : analyte} (${text})`).meaning;
  // words beside the unit may make no name together with the analyte: `Micros, ppm`
  if (named.kind !== 'analyte' || !named.unit)
    return unitFits(analyte, printed.unit) && isMass(analyte)
      ? (printed as { unit: ReportUnit; factor?: number })
      : undefined;
  return {
    unit: named.unit,
    ...(printed.factor === undefined || named.factor === undefined ? {} : { factor: named.factor }),
  };
}
