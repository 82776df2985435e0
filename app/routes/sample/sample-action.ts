import { type Case, type Sample, sampleSchema, type Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import { nextSampleCode } from '@core/sampling/sample-code';
import { applyChange } from '../../storage/changes';
import type { Undoable } from '../../work/property-action';
import { deleteSample, existingProperty, sampleCodes, saveSample, saveZone } from '../../storage/property-repository';

type Reading = NonNullable<Zone['readings']>[number];
export type Sent =
  | { intent: 'start'; zoneId: string; plannedOn: string; depthIn: number }
  | { intent: 'change'; sample: Sample }
  | { intent: 'printed'; ids: string[]; on: string }
  | { intent: 'remove'; sampleId: string }
  | { intent: 'reading'; zoneId: string; reading: Reading }
  | { intent: 'forget-reading'; zoneId: string; index: number };
export interface Answer extends Undoable {
  faults?: Record<string, string>;
  started?: string;
}

async function act(sent: Sent, file: Case): Promise<Answer> {
  const { id, name } = file.property;
  const samples = file.samples ?? [];
  switch (sent.intent) {
    case 'start': {
      const code = nextSampleCode(name, Number(sent.plannedOn.slice(0, 4)), await sampleCodes());
      const sample: Sample = {
        id: newId(
          code,
          samples.map((s) => s.id),
        ),
        zoneId: sent.zoneId,
        code,
        plannedOn: sent.plannedOn,
        depthIn: sent.depthIn,
      };
      return { undo: await saveSample(id, sample), started: code };
    }
    case 'change': {
      const faults = faultsByField(sampleSchema, sent.sample);
      if (Object.keys(faults).length > 0) return { faults };
      return { undo: await saveSample(id, sent.sample) };
    }
    case 'printed':
      return {
        undo: await applyChange(id, {
          put: { samples: samples.filter((s) => sent.ids.includes(s.id)).map((s) => ({ ...s, printedOn: sent.on })) },
        }),
      };
    case 'remove':
      return { undo: await deleteSample(id, sent.sampleId) };
    case 'reading':
    case 'forget-reading': {
      const zone = file.zones.find((z) => z.id === sent.zoneId);
      if (!zone) return { faults: { zone: 'This zone was deleted, perhaps in another tab.' } };
      const readings =
        sent.intent === 'reading'
          ? [...(zone.readings ?? []), sent.reading]
          : (zone.readings ?? []).filter((_, i) => i !== sent.index);
      return { undo: await saveZone(id, { ...zone, readings }) };
    }
  }
}

export async function sampleAction(sent: Sent, propertyId: string): Promise<Answer> {
  return act(sent, await existingProperty(propertyId));
}
