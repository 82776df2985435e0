import type { School } from '@core/soil/interpret';
import { applyChange } from '../../storage/changes';
import { deleteSoilTest, existingProperty, saveChoices, saveSoilTest } from '../../storage/property-repository';
import { propertyAction, type Undoable } from '../../work/property-action';
import type { Shapes } from '../../work/send';
import { reportFromTyped, type TypedReport } from './report/report-from-typed';
import { type TypedWater, waterFromTyped } from './water/water-from-typed';
import { unitsHere } from '../../work/units-here';

export type ReadSent =
  | { intent: 'keep'; zoneId: string; typed: TypedReport }
  | { intent: 'remove'; testId: string }
  | { intent: 'water'; typed: TypedWater }
  | { intent: 'drop-water' }
  | { intent: 'school'; school: School };
export type ReadAnswer = Undoable & { faults?: Record<string, string>; kept?: string };

const SHAPES: Shapes<ReadSent> = {
  keep: { zoneId: 'text', typed: 'record' },
  remove: { testId: 'text' },
  water: { typed: 'record' },
  'drop-water': {},
  school: { school: 'text' },
};

/** What Read writes: reports of a zone, the water of the property, the school it is read by. */
async function act(sent: ReadSent, propertyId: string): Promise<ReadAnswer> {
  const { soilTests: tests = [], property } = await existingProperty(propertyId);
  const propertyWas = { irrigationWater: property.irrigationWater };
  switch (sent.intent) {
    case 'keep': {
      const before = tests.find((t) => t.id === sent.typed.id);
      const ids = tests.map((t) => t.id);
      const answer = reportFromTyped(sent.typed, sent.zoneId, before, ids, await unitsHere());
      if ('faults' in answer) return answer;
      return { undo: await saveSoilTest(propertyId, answer.test), kept: answer.test.id };
    }
    case 'remove':
      return { undo: await deleteSoilTest(propertyId, sent.testId) };
    case 'water': {
      const answer = waterFromTyped(sent.typed, await unitsHere());
      if ('faults' in answer) return answer;
      return { undo: await applyChange(propertyId, { property: { irrigationWater: answer.water }, propertyWas }) };
    }
    case 'drop-water':
      return { undo: await applyChange(propertyId, { property: { irrigationWater: null }, propertyWas }) };
    case 'school':
      return { undo: await saveChoices(propertyId, { school: sent.school }) };
  }
}

export const readAction = propertyAction<ReadSent, ReadAnswer>(SHAPES, act);
