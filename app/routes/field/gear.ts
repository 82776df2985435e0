import { LAYING_SCHOOLS } from '@core/records/case';
import type { Gear, LayingSchool } from '@core/field/walk';
import type { Spreader } from '@core/records/spreader-schema';

/** What this browser walks with, the spreader that was used last, what its tank holds, and whether it is read in bright sun; unsaid, a phone is. */
export type KeptGear = Gear & { spreaderId?: string; tankGal?: number; sun?: boolean };
export const GEAR_NOTE = 'field-gear';

export const USUAL_GEAR: Gear = { swathFt: 6, school: 'two-directions', speedMph: 3, headerLaps: 1 };

export const SCHOOL_NAMES: Record<LayingSchool, string> = {
  'two-directions': 'two crossing directions, half each',
  'four-light': 'four light passes, a quarter each',
  'one-direction': 'one direction',
};

/** What the kit knows of a spreader, as it is walked with. */
export const gearOf = ({ swathFt, hopperLb }: Pick<Spreader, 'swathFt' | 'hopperLb'>): Partial<Gear> => ({
  ...(swathFt === undefined ? {} : { swathFt }),
  ...(hopperLb === undefined ? {} : { hopperLb }),
});

const between = (value: unknown, low: number, high: number): value is number =>
  typeof value === 'number' && value > low && value <= high;

/** The gear as it was kept; what is not readable is as it usually is. */
export function gearFrom(note: string | undefined): KeptGear {
  if (note === undefined) return USUAL_GEAR;
  try {
    const kept = JSON.parse(note) as Partial<KeptGear>;
    return {
      swathFt: between(kept.swathFt, 0, 200) ? kept.swathFt : USUAL_GEAR.swathFt,
      ...(between(kept.hopperLb, 0, 10_000) ? { hopperLb: kept.hopperLb } : {}),
      school: LAYING_SCHOOLS.includes(kept.school as LayingSchool) ? (kept.school as LayingSchool) : USUAL_GEAR.school,
      speedMph: between(kept.speedMph, 0, 10) ? kept.speedMph : USUAL_GEAR.speedMph,
      ...(typeof kept.spreaderId === 'string' ? { spreaderId: kept.spreaderId } : {}),
      ...(between(kept.tankGal, 0, 2000) ? { tankGal: kept.tankGal } : {}),
      ...(typeof kept.sun === 'boolean' ? { sun: kept.sun } : {}),
      headerLaps: kept.headerLaps === 0 || kept.headerLaps === 2 ? kept.headerLaps : 1,
    };
  } catch {
    return USUAL_GEAR;
  }
}
