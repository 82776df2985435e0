import { FOLIAR_FEEDS, FOLIAR_NOT_ABOVE_F, type FoliarPurpose, isFoliarPurpose } from '../../foliar/foliar-feeds';
import { OZ_PER_LB } from '../../units/conversions';
import { sayDay } from '../../words/days';
import { fixed, two } from '../../words/numbers';
import type { Dose } from '../plan/dose';
import { check, dayIn, dosesIn, type Facts, ifAny, noneOf } from './check';

/** Sprays of iron and manganese: how much at once, and not in the heat (D5). */

/** A spray weighed on a kitchen scale may be so much over, oz of the element/1000 ft2. */
const OVER_OZ = 0.02;

const ozOf = (dose: Dose): number => (dose.delivers[FOLIAR_FEEDS[dose.for as FoliarPurpose].element] ?? 0) * OZ_PER_LB;

const sprayStrength = check({
  id: 'foliar-dose',
  kind: 'dose',
  title: 'Strength of a spray',
  rule: 'A spray of iron or manganese brings no more than the leaf bears (D5).',
  measure: ({ doses }: Facts) => {
    const sprays = doses.filter((d) => isFoliarPurpose(d.for));
    if (sprays.length === 0) return undefined;
    const strong = sprays.filter((d) => ozOf(d) > FOLIAR_FEEDS[d.for as FoliarPurpose].mostOz + OVER_OZ);
    return { found: dosesIn(sprays), doses: strong };
  },
  standing: noneOf('fail'),
  says: ({ doses: [dose] }) => {
    const { name, mostOz, element } = FOLIAR_FEEDS[(dose as Dose).for as FoliarPurpose];
    return `The ${name} of ${sayDay((dose as Dose).date)} brings ${two(ozOf(dose as Dose))} oz ${element} per 1000, over the ${two(mostOz)} oz ${element} that leaves bear: they blacken.`;
  },
});

const sprayHeat = check({
  id: 'foliar-heat',
  kind: 'day',
  title: 'Sprays out of the heat',
  rule: `No spray of iron or manganese on days whose normal high is above ${FOLIAR_NOT_ABOVE_F} deg F (D5).`,
  measure: ({ doses, plan }: Facts) => {
    const hot = doses.filter(
      (d) => isFoliarPurpose(d.for) && (plan.weather?.highF[dayIn(d.date)] ?? 0) > FOLIAR_NOT_ABOVE_F,
    );
    return ifAny({
      found: dosesIn(hot),
      doses: hot,
      highF: plan.weather?.highF[dayIn(hot[0]?.date ?? `${plan.year}-01-01`)] ?? 0,
    });
  },
  standing: noneOf('warn'),
  says: ({ doses, highF }) =>
    `The spray of ${sayDay(doses[0]?.date ?? '')} falls where the normal high is ${fixed(highF, 0)} deg F: wait for a morning under ${FOLIAR_NOT_ABOVE_F} deg F, or leave it.`,
});

export const FOLIAR_CHECKS = [sprayStrength, sprayHeat];
