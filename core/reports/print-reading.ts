import { placeOf, type ReportDocument } from './document';
import { slipsOf, unitDoubt } from './plausible';
import type { Place, ReportReading } from './reading';

/** A reading as the command line prints it (`ubertas-reports`, version 1). */
export function printReading(file: string, document: ReportDocument, reading: ReportReading): object {
  const place = ({ page, line, from }: Place): string =>
    placeOf(document.kind, document.pages[page]?.name ?? '', line, Math.round(from));
  const slips = slipsOf(reading);
  const unit = unitDoubt(reading);
  const { facts } = reading;
  const samples = reading.samples.map((sample) => ({
    label: sample.label,
    names: sample.names,
    sampledOn: sample.sampledOn,
    depthIn: sample.depthIn,
    basisDepthIn: sample.basisDepthIn,
    scoopGPerCm3: sample.scoopGPerCm3,
    lab: sample.lab,
    results: sample.values
      .filter((value) => value.impossible === undefined)
      .map((value) => ({
        analyte: value.analyte,
        value: value.value,
        qualifier: value.qualifier,
        unit: value.unit,
        method: value.method,
        rating: value.rating,
        sure: reading.terms[value.term]?.label.sure,
        from: { place: place(value), text: value.text },
      })),
    notGiven: sample.notGiven.map(({ analyte, text, at }) => ({ analyte, from: { place: place(at), text } })),
    recommendations: sample.recommendations.map(({ of, lbPer1000, text, at }) => ({
      of,
      lbPer1000,
      from: { place: place(at), text },
    })),
  }));
  return {
    format: 'ubertas-reports',
    version: 1,
    file,
    layout: {
      says: facts.layout,
      decimal: facts.decimal,
      dayOrder: facts.dayOrder,
      unit: facts.unit,
      method: facts.method,
      bufferMethod: facts.bufferMethod,
      depth: facts.depth,
      receivedOn: facts.receivedOn,
    },
    samples,
    rejected: [
      ...reading.rejected.map(({ page, line, text, because }) => ({
        line,
        place: place({ page, line, from: 0 }),
        text,
        because,
      })),
      ...reading.samples.flatMap((sample) =>
        sample.values.flatMap((value) =>
          value.impossible === undefined
            ? []
            : [{ line: value.line, place: place(value), text: value.text, because: value.impossible }],
        ),
      ),
    ],
    notUnderstood: reading.notUnderstood.map(({ text, values, because, at }) => ({
      text,
      values,
      because,
      place: place(at),
    })),
    kept: reading.kept.map(({ text, values, because, at }) => ({ text, values, because, place: place(at) })),
    doubts: [
      ...reading.doubts,
      ...(unit ? [unit.says] : []),
      ...slips.map(({ sample, analyte, because, candidates, likeliest }) => {
        const best = likeliest === undefined ? undefined : candidates[likeliest];
        return `${analyte} of ${reading.samples[sample]?.label ?? ''}: ${because.replace(/\.$/, '')}.${best && best.how !== 'as-printed' ? ` Likeliest: ${best.value} (${best.says}).` : ''}`;
      }),
    ],
  };
}
