import { useId } from 'react';
import type { Product } from '@core/records/case';
import { FORMS_SLOW_FIRST, NITROGEN_FORM_TABLE } from '@core/nitrogen/forms';
import type { NitrogenForm } from '@core/records/vocabularies';
import { trimmed } from '@core/words/numbers';

export type NitrogenPattern = 'coated' | 'methylene' | 'organic' | 'urea' | 'ammoniacal' | 'nitrate' | 'undeclared';

/** Which pattern a form is drawn with; slow first, as it feeds longest. */
const PATTERN_OF: Record<NitrogenForm, NitrogenPattern> = {
  'polymer-coated-urea': 'coated',
  'sulfur-coated-urea': 'coated',
  'methylene-urea': 'methylene',
  ureaform: 'methylene',
  ibdu: 'methylene',
  'natural-organic': 'organic',
  urea: 'urea',
  'other-soluble': 'urea',
  ammoniacal: 'ammoniacal',
  nitrate: 'nitrate',
};
/** A part of the strip: percent of the product. */
export interface NitrogenPart {
  form?: NitrogenForm;
  pattern: NitrogenPattern;
  word: string;
  percent: number;
}

/** The nitrogen of a label by its forms, slow first; what no form accounts for is undeclared. */
export function nitrogenParts({ guaranteed, nitrogen }: Product): NitrogenPart[] {
  const total = guaranteed.N ?? 0;
  const parts = FORMS_SLOW_FIRST.flatMap((form): NitrogenPart[] => {
    const percent = nitrogen?.[form] ?? 0;
    return percent > 0 ? [{ form, pattern: PATTERN_OF[form], word: NITROGEN_FORM_TABLE[form].word, percent }] : [];
  });
  const left = total - parts.reduce((sum, part) => sum + part.percent, 0);
  return left > 0.05 ? [...parts, { pattern: 'undeclared', word: 'undeclared', percent: left }] : parts;
}

function Pattern({ id, pattern }: { id: string; pattern: NitrogenPattern }) {
  const ink = { stroke: 'var(--loam)', fill: 'none' };
  const sheet = <rect width="8" height="8" fill="var(--sheet)" />;
  switch (pattern) {
    case 'coated':
      return (
        <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse">
          {sheet}
          <circle cx="3" cy="3" r="1.9" {...ink} />
        </pattern>
      );
    case 'methylene':
      return (
        <pattern id={id} width="5" height="5" patternUnits="userSpaceOnUse">
          {sheet}
          <path d="M0 0L5 5M5 0L0 5" {...ink} strokeWidth="0.8" />
        </pattern>
      );
    case 'organic':
      return (
        <pattern id={id} width="8" height="6" patternUnits="userSpaceOnUse">
          {sheet}
          <path d="M.8 1.6l2.2 1M5 4.6l2.2-1.4M1.6 5l1.2-.6M5.4 1.2l1.6.6" {...ink} strokeWidth="1.1" />
        </pattern>
      );
    case 'ammoniacal':
      return (
        <pattern id={id} width="3" height="6" patternUnits="userSpaceOnUse">
          {sheet}
          <path d="M1 0V6" {...ink} strokeWidth="1.1" />
        </pattern>
      );
    case 'nitrate':
      return (
        <pattern id={id} width="6" height="3" patternUnits="userSpaceOnUse">
          {sheet}
          <path d="M0 1H6" {...ink} />
        </pattern>
      );
    default:
      return null;
  }
}

/** The forms of nitrogen as a strip of patterns; the words stand beside it. `width` is the whole of `of` percent. */
export function NitrogenStrip({
  parts,
  width,
  of,
  height = 13,
}: {
  parts: readonly NitrogenPart[];
  width: number;
  of: number;
  height?: number;
}) {
  const id = useId();
  const px = (percent: number) => (of > 0 ? (percent / of) * (width - 1) : 0);
  const starts = parts.reduce<number[]>(
    (done, _, i) => [...done, (done[i] ?? 0.5) + px(parts[i]?.percent ?? 0)],
    [0.5],
  );
  return (
    <svg
      className="nitrogenstrip"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={`nitrogen: ${parts.map((part) => `${part.word} ${trimmed(part.percent, 2)} %`).join(', ')}`}
    >
      <defs>
        {parts.map((part) => (
          <Pattern key={part.word} id={`${id}-${part.pattern}`} pattern={part.pattern} />
        ))}
      </defs>
      {parts.map((part, i) => (
        <rect
          key={part.word}
          x={starts[i]}
          y="0.5"
          width={Math.max(0.5, px(part.percent))}
          height={height - 1}
          fill={
            part.pattern === 'urea'
              ? 'var(--loam-2)'
              : part.pattern === 'undeclared'
                ? 'var(--sheet)'
                : `url(#${id}-${part.pattern})`
          }
          stroke={part.pattern === 'undeclared' ? 'var(--clay)' : 'var(--loam)'}
          strokeWidth={part.pattern === 'undeclared' ? 1.4 : 1}
          strokeDasharray={part.pattern === 'undeclared' ? '3 2' : undefined}
        />
      ))}
    </svg>
  );
}
