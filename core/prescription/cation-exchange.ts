import type { Zone } from '../records/case';
import { groupOfTexture } from '../ground/texture-groups';
import type { Interpretation } from '../soil/interpret';
import { cecOf } from '../soil/other-schools';

/** CEC where no report gives it, cmolc/kg, by texture group. Common practice, said wherever it decides. */
const USUAL_CEC = { sand: 3, loam: 10, clay: 20 } as const;
/** CEC under which soil is weak, whatever its texture (B7, C4). */
export const WEAK_UNDER_CEC = 6;

/** CEC of a zone: the report's, else the usual of its texture. */
export function zoneCec(zone: Zone, read: Interpretation | undefined): { cec: number; says: string } {
  const reported = read && cecOf(read.usable);
  if (reported !== undefined && reported > 0) return { cec: reported, says: 'soil report' };
  const group = groupOfTexture(zone.texture);
  return { cec: USUAL_CEC[group], says: `not on a report: usual of ${group}` };
}

/** Whether soil is sand or holds little (B7, C4): a dose there acts at once and leaches. */
export const isWeakSoil = (zone: Zone, read: Interpretation | undefined): boolean => {
  if (groupOfTexture(zone.texture) === 'sand') return true;
  const reported = read && cecOf(read.usable);
  return reported !== undefined && reported < WEAK_UNDER_CEC;
};
