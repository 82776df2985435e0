import type { Case, Climate, Plan, PlannedDose } from '@core/records/case';
import { moveProgramme } from '@core/season/edit/move-programme';
import { currentPlan, unkept } from '@core/season/plan/current-plan';
import { doseKey } from '@core/season/plan/dose-key';
import { keysOfGivenDoses } from '@core/season/plan/doses-given';
import { applyChange } from '../../storage/changes';
import type { Undoable } from '../../work/property-action';
import { existingProperty } from '../../storage/property-repository';
import { todayIso } from '../../ui/today';
import { planYear } from '../../work/property-work';

export type ClimateSent = {
  intent: 'use';
  climate: Climate;
  latitudeDeg: number | undefined;
  moveDoses: boolean;
};

/** Doses of a plan carried to the property's new climate; what is given or under lock stays where it is. */
function carried(file: Case, plan: Plan, was: Climate, is: Climate): Plan {
  const doses = plan.doses ?? [];
  const given = keysOfGivenDoses(file);
  const stays = (dose: PlannedDose) => dose.locked || given.has(doseKey(dose));
  return {
    ...unkept(plan),
    solved: undefined,
    doses: file.zones.flatMap((zone) => {
      const its = doses.filter((d) => d.zoneId === zone.id);
      const kept = its.filter(stays);
      const moved = moveProgramme(
        its.filter((d) => !stays(d)),
        was,
        is,
        { zoneId: zone.id, year: plan.year, kept },
      );
      return [...kept, ...moved.map((m) => m.dose)];
    }),
  };
}

/** Writes the property's climate, and carries the year's doses with it where that was asked for, in one transaction. */
export async function climateAction(sent: ClimateSent, propertyId: string): Promise<Undoable> {
  const file = await existingProperty(propertyId);
  const plan = currentPlan(file, planYear(file, todayIso()));
  const was = file.property.climate;
  const moved = sent.moveDoses && plan?.doses && was ? [carried(file, plan, was, sent.climate)] : [];
  const undo = await applyChange(propertyId, {
    property: { climate: sent.climate, latitudeDeg: sent.latitudeDeg },
    propertyWas: { climate: was },
    put: { plans: moved },
  });
  return { undo };
}
