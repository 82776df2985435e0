import { type Case, type Sample, sampleSchema, type Zone } from '@core/records/case';
import { newId } from '@core/records/new-id';
import { faultsByField } from '@core/records/strict-schema';
import { nextSampleCode } from '@core/sampling/sample-code';
import { deleteSample, existingProperty, sampleCodes, saveSample, saveZone } from '../../storage/property-repository';

type Reading = NonNullable<Zone['readings']>[number];
export type Sent =
  | { intent: 'start'; zoneId: string; plannedOn: string; depthIn: number }
  | { intent: 'change'; sample: Sample }
  | { intent: 'printed'; ids: string[]; on: string }
  | { intent: 'remove'; sampleId: string }
  | { intent: 'reading'; zoneId: string; reading: Reading }
  | { intent: 'forget-reading'; zoneId: string; index: number };
export interface Answer {
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
      await saveSample(id, sample);
      return { started: code };
    }
    case 'change': {
      const faults = faultsByField(sampleSchema, sent.sample);
      if (Object.keys(faults).length > 0) return { faults };
      await saveSample(id, sent.sample);
      return {};
    }
    case 'printed':
      for (const sample of samples.filter((s) => sent.ids.includes(s.id)))
        await saveSample(id, { ...sample, printedOn: sent.on });
      return {};
    case 'remove':
      await deleteSample(id, sent.sampleId);
      return {};
    case 'reading':
    case 'forget-reading': {
      const zone = file.zones.find((z) => z.id === sent.zoneId);
      if (!zone) return { faults: { zone: 'This zone was deleted, perhaps in another tab.' } };
      const readings =
        sent.intent === 'reading'
          ? [...(zone.readings ?? []), sent.reading]
          : (zone.readings ?? []).filter((_, i) => i !== sent.index);
      await saveZone(id, { ...zone, readings });
      return {};
    }
  }
}

export async function sampleAction(sent: Sent, propertyId: string): Promise<Answer> {
  return act(sent, await existingProperty(propertyId));
}
