import { type Choices, type OwnFigure, type OwnLine, type Zone, zoneSchema } from '@core/records/case';
import { faultsByField } from '@core/records/strict-schema';
import type { CopiedLine } from '@core/prescription/copy-prescription';
import { copiedOnto } from '@core/prescription/copy-prescription';
import type { Undoable } from '../../work/property-action';
import { existingProperty, saveChoices, saveZone } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import { chooseProducts } from '../../work/choose-products';
import type { Units } from '../../ui/format';
import { quantityOfOwn } from '../../work/own-words';
import { FieldNumbers, type FirstTexts } from '../../work/typed-fields';
import { unitsHere } from '../../work/units-here';

export interface TypedOwn {
  value: string;
  reason: string;
  by: string;
  held?: FirstTexts;
}
export type Sent =
  | { intent: 'switch'; zoneId: string; line: string; on: boolean }
  | { intent: 'own'; zoneId: string; line: OwnLine; typed: TypedOwn }
  | { intent: 'drop-own'; zoneId: string; line: OwnLine }
  | { intent: 'copy'; zoneId: string; fromName: string; lines: CopiedLine[]; reason: string; by?: string }
  | { intent: 'choice'; change: Partial<Choices> }
  | { intent: 'product'; choices: Record<string, string | null> };
export interface Answer extends Undoable {
  faults?: Record<string, string>;
  kept?: string;
}

/** The zone with an override as typed, or a sentence per field. */
export function withOwn(
  zone: Zone,
  line: OwnLine,
  typed: TypedOwn,
  on: string,
  units: Units,
): { zone: Zone } | { faults: Record<string, string> } {
  const quantity = quantityOfOwn(line);
  const fields = new FieldNumbers(units, typed.held, zone.typed);
  const value = fields.read(typed.value, { name: `own.${line}`, label: 'The figure', field: 'value', quantity });
  if (fields.faults.value) return { faults: { value: fields.faults.value } };
  if (value === undefined) return { faults: { value: 'Type the figure; 0 means none.' } };
  const own: OwnFigure = {
    line,
    value,
    reason: typed.reason.trim(),
    ...(typed.by.trim() ? { by: typed.by.trim() } : {}),
    on,
  };
  const kept = (zone.own ?? []).filter((each) => each.line !== line);
  const { [`own.${line}`]: _before, ...texts } = { ...zone.typed };
  const typedOnes = { ...texts, ...fields.typed };
  const { typed: _typed, ...rest } = zone;
  const changed = { ...rest, own: [...kept, own], ...(Object.keys(typedOnes).length > 0 ? { typed: typedOnes } : {}) };
  const at = `own[${kept.length}].`;
  const faults = Object.fromEntries(
    Object.entries(faultsByField(zoneSchema, changed)).map(([field, says]) => [field.replace(at, ''), says]),
  );
  return Object.keys(faults).length > 0 ? { faults } : { zone: changed };
}

/** What the page of a prescription may change. */
export async function act(sent: Sent, propertyId: string): Promise<Answer> {
  if (sent.intent === 'choice') return { undo: await saveChoices(propertyId, sent.change) };
  if (sent.intent === 'product') return { undo: await chooseProducts(propertyId, sent.choices) };
  const file = await existingProperty(propertyId);
  const zone = file.zones.find((each) => each.id === sent.zoneId);
  if (!zone) return { faults: { storage: 'This zone was deleted, perhaps in another tab.' } };
  switch (sent.intent) {
    case 'switch': {
      const off = new Set(zone.nitrogenOff ?? []);
      if (sent.on) off.delete(sent.line);
      else off.add(sent.line);
      return { undo: await saveZone(propertyId, { ...zone, nitrogenOff: [...off] }) };
    }
    case 'own': {
      const answer = withOwn(zone, sent.line, sent.typed, todayIso(), await unitsHere());
      if ('faults' in answer) return answer;
      return { undo: await saveZone(propertyId, answer.zone), kept: sent.line };
    }
    case 'drop-own':
      return {
        undo: await saveZone(propertyId, { ...zone, own: (zone.own ?? []).filter((each) => each.line !== sent.line) }),
      };
    case 'copy': {
      const { fromName, lines, reason, by } = sent;
      const copied = copiedOnto(zone, lines, { fromName, reason, by, on: todayIso() });
      return { undo: await saveZone(propertyId, copied), kept: 'copy' };
    }
  }
}
