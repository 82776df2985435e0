import type { OwnLine } from '../records/case';
import {
  FOLIAR,
  FOLIAR_EVERY_DAYS,
  FOLIAR_FEEDS,
  FOLIAR_NOT_ABOVE_F,
  FOLIAR_WATER_GAL,
  type FoliarPurpose,
} from '../foliar/foliar-feeds';
import type { Interpretation } from '../soil/interpret';
import { two } from '../words/numbers';
import { ownOf } from './override-figure';
import type { FoliarPrescription } from './prescription';
import { prescribeIron, prescribeMicronutrients } from './prescribe-others';
import type { ZoneFacts } from './zone-facts';

/** Sprays of a year where the test reads iron short: color through the season. Common practice. */
const SPRAYS_WHERE_SHORT = 3;
const OWN: Record<FoliarPurpose, OwnLine> = { iron: 'iron-sprays', manganese: 'manganese-sprays' };

/**
 * Iron and manganese on the leaf (D5): iron where the test reads it short; elsewhere, and manganese always, only where the agronomist
 * asks for a number of sprays, because a symptom or a tissue test decides. Nothing where neither is asked nor looked out for.
 */
export function prescribeFoliar(
  { zone }: Pick<ZoneFacts, 'zone'>,
  read: Interpretation | undefined,
): FoliarPrescription[] {
  return FOLIAR.flatMap((purpose): FoliarPrescription[] => {
    const { element, name, usualOz, mostOz } = FOLIAR_FEEDS[purpose];
    const own = ownOf(zone, OWN[purpose]);
    const level = read?.findings.find((f) => f.analyte === element && !f.reading.setAside)?.level;
    const short = level === 'low' || level === 'very-low';
    const watched =
      purpose === 'iron'
        ? prescribeIron(read).action === 'foliar'
        : prescribeMicronutrients(read).some(({ analyte }) => analyte === element);
    const byRule = purpose === 'iron' && short ? SPRAYS_WHERE_SHORT : 0;
    const sprays = Math.round(own?.value ?? byRule);
    if (sprays === 0 && !watched && !own) return [];
    const how = `${two(usualOz)} oz ${element} per 1000 ft2 a spray, at most ${two(mostOz)} oz ${element}, in ${FOLIAR_WATER_GAL} gal of water per 1000 ft2 or more, every ${FOLIAR_EVERY_DAYS / 7} weeks, not above ${FOLIAR_NOT_ABOVE_F} deg F.`;
    const says =
      sprays > 0
        ? `${sprays} ${sprays === 1 ? 'spray' : 'sprays'} of ${name}: ${how} It greens the leaf and does not cure the cause${purpose === 'iron' ? '; it stains paving' : ''}.`
        : `Watched: none is planned until the grass yellows between the veins. Then ${how}`;
    return [{ purpose, sprays, ozPerSpray: usualOz, says, own, byRule }];
  });
}
