import type { Grass } from '../../packs/grasses';
import type { ZonePrescription } from '../../prescription/prescription';
import type { ShelfContext } from '../../products/shelf';
import type { Zone } from '../../records/case';
import type { Interpretation } from '../../soil/interpret';
import { isAcidSoil } from './acid-soil';
import { isLimySoil } from './limy-soil';

/** What of a zone decides which bags may go onto it; `potassiumWanted` where a school asks for potash that the test does not. */
export const shelfContext = (
  {
    zone,
    grass,
    prescription,
    read,
  }: { zone: Zone; grass: Grass; prescription: ZonePrescription; read?: Interpretation },
  potassiumWanted = prescription.potassium.yearLb > 0,
): Required<ShelfContext> => ({
  grass,
  phosphorusWanted: prescription.phosphorus.yearLb > 0,
  potassiumWanted,
  saline: prescription.salinity.standing === 'saline',
  acidSoil: isAcidSoil({ read, prescription }),
  limySoil: isLimySoil({ zone, read }),
  closeCut: zone.turf === 'close-cut',
});
