import { LAYING_SCHOOLS } from '@core/records/case';
import { type Gear, type LayingSchool, USUAL_GEAR } from '@core/field/walk';

/** What this browser walks with, the spreader that was used last, what its tank holds, and whether it is read in bright sun; unsaid, a phone is. */
export type KeptGear = Gear & { spreaderId?: string; tankGal?: number; sun?: boolean };
export const GEAR_NOTE = 'field-gear';

export const SCHOOL_NAMES: Record<LayingSchool, string> = {
  'two-directions': 'two crossing directions, half each',
  'four-light': 'four light passes, a quarter each',
  'one-direction': 'one direction',
};

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
