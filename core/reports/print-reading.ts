import { placeOf, type ReportDocument } from './document';
import { slipsOf, unitDoubt } from './plausible';
import type { Place, ReportReading, ReportSample } from './reading';

/** A reading in the shape that the command line prints (`ubertas-reports`, version 1); its samples are made one by one, for there may be many. */
export interface PrintedReading {
  before: object;
  samples(): Iterable<object>;
  after: object;
}

export function printReading(file: string, document: ReportDocument, reading: ReportReading): PrintedReading {
  const place = ({ page, line, from }: Place): string =>
    placeOf(document.kind, document.pages[page]?.name ?? '', line, Math.round(from));
  const slips = slipsOf(reading);
  const unit = unitDoubt(reading);
  const { facts } = reading;
  const printed = (sample: ReportSample) => ({
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
  });
  const before = {
    format: 'ubertas-reports',
    version: 1,
    file,
    kind: facts.kind,
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
  };
  const after = {
    rejected: [
      ...reading.rejected.map(({ page, line, from = 0, text, because }) => ({
        line,
        place: place({ page, line, from }),
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
  return {
    before,
    *samples() {
      for (const sample of reading.samples) yield printed(sample);
    },
    after,
  };
}

/** A printed reading as JSON, in pieces: a file of fifty thousand samples is never one text. */
export function* readingAsJson({ before, samples, after }: PrintedReading): Generator<string> {
  const inside = (value: object): string => JSON.stringify(value, null, 2).slice(2, -2);
  yield `{\n${inside(before)},\n  "samples": [`;
  let first = true;
  for (const sample of samples()) {
    yield `${first ? '' : ','}\n${JSON.stringify(sample, null, 2).replace(/^/gm, '    ')}`;
    first = false;
  }
  yield `${first ? '' : '\n  '}],\n${inside(after)}\n}\n`;
}
