import { useState } from 'react';
import type { FetcherWithComponents } from 'react-router';
import type { Product } from '@core/records/case';
import { checkLabel, formsShortBy } from '@core/products/label/check-label';
import { showExact } from '@core/words/numbers';
import type { ShelfChange } from '../../storage/shelf-repository';
import { useUnits } from '../../ui/format';
import { sendBy } from '../../work/send';
import { useDraft } from '../../work/use-draft';
import { useFollowed } from '../../work/use-followed';
import { labelFrom, labelSoFar, type OtherGuarantee, type PlainNumber, type TypedLabel } from './typed-label';

export type LabelAnswer = { faults?: Record<string, string>; kept?: string; undo?: ShelfChange };
export type LabelSent = { intent: 'keep'; typed: TypedLabel; draft: boolean };

export type LabelSlipState = ReturnType<typeof useLabelSlip>;

/** A label as it is being typed: what it is so far, what is wrong with it, and what saving still waits for. */
export function useLabelSlip(product: Product | undefined, fetcher: FetcherWithComponents<LabelAnswer>) {
  const units = useUnits();
  const [typed, setTyped] = useState(() => labelFrom(product, units));
  const place = `label/${product?.id ?? 'new'}`;
  const text = (label: TypedLabel) => JSON.stringify({ ...label, changedAt: undefined });
  const answer = fetcher.state === 'idle' ? fetcher.data : undefined;
  const { dirty, overtaken } = useFollowed({
    record: product,
    typed: text(typed),
    shown: (record) => text(labelFrom(record, units)),
    own: product && (answer?.undo?.over?.[product.id] ?? undefined),
    load: (record) => setTyped(labelFrom(record, units)),
    adopt: ({ changedAt }) => setTyped((before) => ({ ...before, changedAt })),
  });
  const { offered } = useDraft({
    place,
    typed,
    dirty,
    savedBy: answer?.kept ? answer : undefined,
    load: setTyped,
  });
  const change = (over: Partial<TypedLabel>) => setTyped((before) => ({ ...before, ...over }));
  const faults = fetcher.state === 'idle' ? (fetcher.data?.faults ?? {}) : {};
  const soFar = labelSoFar(typed, units);
  const remarks = checkLabel(soFar);
  const short = formsShortBy(soFar);
  const waits =
    typed.typedGrade.trim() !== '' && !typed.grade
      ? 'the three numbers'
      : typed.name.trim() === ''
        ? 'a name'
        : short > 0
          ? `${showExact(short, 2)} % N`
          : remarks.some((remark) => remark.standing === 'stop')
            ? 'what is marked above'
            : undefined;
  return {
    typed,
    overtaken,
    offered,
    change,
    faults,
    soFar,
    remarks,
    short,
    waits,
    send: (draft: boolean) => void sendBy(fetcher, { intent: 'keep', typed, draft }),
    /** What a field of a plain number is given. */
    number: (key: PlainNumber) => ({
      inputMode: 'decimal' as const,
      value: typed.numbers[key] ?? '',
      fault: faults[key],
      onChange: (text: string) => change({ numbers: { ...typed.numbers, [key]: text } }),
    }),
    /** What a field of another guarantee is given. */
    other: (key: OtherGuarantee) => ({
      unit: '%',
      inputMode: 'decimal' as const,
      value: typed.other[key] ?? '',
      fault: faults[`guaranteed.${key}`],
      onChange: (text: string) => change({ other: { ...typed.other, [key]: text } }),
    }),
    /** What a field of the package is given. */
    packed: (key: keyof TypedLabel['package']) => ({
      inputMode: 'decimal' as const,
      value: typed.package[key],
      fault: faults[`package.${key}`],
      onChange: (text: string) => change({ package: { ...typed.package, [key]: text } }),
    }),
  };
}
