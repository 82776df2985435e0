import type { Case, Site, Zone } from '@core/records/case';
import { isShaped, groundOf } from '@core/ground/zone-ground';
import { climateNamed } from '@core/climate/places';
import { isRefusal } from '@core/reckoning/refusal';
import { applyChange, type Change } from '../../storage/changes';
import { bindCodes, codesWithIds } from '../../storage/own-codes';
import { deleteZone, existingProperty, saveZone } from '../../storage/property-repository';
import { type TypedZone, zoneFromTyped } from './draft/zone-from-typed';
import { unitsHere } from '../../work/units-here';

export type Sent =
  | { intent: 'keep'; typed: TypedZone }
  | { intent: 'remove'; zoneId: string }
  | { intent: 'site'; site: Site; says: string; was?: Site }
  | { intent: 'zones'; zones: Zone[]; site?: Site; says: string }
  | { intent: 'climate'; preset: string }
  | { intent: 'codes'; codeIds: string[] };

export interface Answer {
  faults?: Record<string, string>;
  kept?: string;
  says?: string;
  /** What takes the change back, record by record. */
  undo?: Change;
  name?: string;
}

/** Zones whose ground a new strip changes, with the area that is left. */
function withSite(file: Case, site: Site): { zones: Zone[] } | { fault: string } {
  const zones: Zone[] = [];
  for (const zone of file.zones.filter(isShaped)) {
    const ground = groundOf(zone, site);
    if (isRefusal(ground)) return { fault: `${zone.name}: ${ground.refused}` };
    if (Math.abs(ground.areaSqFt - zone.areaSqFt) > 1e-9) zones.push({ ...zone, areaSqFt: ground.areaSqFt });
  }
  return { zones };
}

async function act(sent: Sent, file: Case): Promise<Answer> {
  const { property } = file;
  switch (sent.intent) {
    case 'keep': {
      const before = file.zones.find((z) => z.id === sent.typed.id);
      const ids = file.zones.map((z) => z.id);
      const answer = zoneFromTyped(sent.typed, before, ids, property.site, await unitsHere());
      if ('faults' in answer) return answer;
      return { undo: await saveZone(property.id, answer.zone), kept: answer.zone.id, name: answer.zone.name };
    }
    case 'remove': {
      const undo = await deleteZone(property.id, sent.zoneId);
      return {
        undo,
        says: `${file.zones.find((z) => z.id === sent.zoneId)?.name ?? 'The zone'} and its reports were deleted.`,
      };
    }
    case 'site': {
      const changed = withSite(file, sent.site);
      if ('fault' in changed) return { faults: { site: changed.fault } };
      const undo = await applyChange(property.id, {
        property: { site: sent.site },
        propertyWas: { site: sent.was },
        put: { zones: changed.zones },
      });
      return { undo, says: sent.says };
    }
    case 'zones': {
      const undo = await applyChange(property.id, {
        ...(sent.site ? { property: { site: sent.site } } : {}),
        put: { zones: sent.zones },
      });
      return { undo, says: sent.says };
    }
    case 'climate': {
      const preset = climateNamed(sent.preset);
      if (!preset) return {};
      const undo = await applyChange(property.id, {
        property: { climate: preset.climate, latitudeDeg: preset.latitudeDeg },
        propertyWas: { climate: property.climate },
      });
      return { undo, says: 'The climate is changed.' };
    }
    case 'codes': {
      // a copy that the property already carries is kept as it is
      const carried = new Map((file.codes ?? []).map((code) => [code.id, code]));
      const found = new Map((await codesWithIds(sent.codeIds)).map((code) => [code.id, code]));
      const codes = sent.codeIds.flatMap((id) => carried.get(id) ?? found.get(id) ?? []);
      return { undo: await bindCodes(property.id, codes), says: 'The local codes are changed.' };
    }
  }
}

/** Takes what Ground sends; a full or blocked database is answered in words. */
export async function groundAction(sent: Sent, propertyId: string): Promise<Answer> {
  return act(sent, await existingProperty(propertyId));
}
