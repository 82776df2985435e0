import { establishmentYear } from '../nitrogen/establishment-year';
import { BUILT_IN_PACKS, grassIn } from '../packs/rule-packs';
import { sureFigure, traced } from '../reckoning/figure';
import { codeDoseCap, codeYearCap, phosphorusNeedsTest } from '../season/rules/local-codes';
import { SECOND_AFTER_DAYS, SECOND_LB, STARTER_N_LB, STARTER_P2O5_LB } from '../season/rules/establishment';
import { sayDate } from '../words/days';
import { two } from '../words/numbers';
import { starterPhosphate } from '../nutrients/starter-phosphate';
import { ownOf } from './override-figure';
import type {
  EstablishmentPrescription,
  NitrogenPrescription,
  NutrientPrescription,
  ZonePrescription,
} from './prescription';
import type { ZoneFacts } from './zone-facts';

/** Under this what is left of the year is no dose of its own, lb N/1000 ft2. */
const LEAST_LATER_LB = 0.35;
const WORDS = { 'new-seeding': 'Seeding', renovation: 'Renovation', sod: 'Sodding' } as const;
/** N beside each pound of P2O5 in a usual starter: three parts to four. Common practice. */
const N_BESIDE_P2O5 = 0.75;

/**
 * The programme of a stand that is sown, renovated or sodded in the year, in place of the grass's own (C8): phosphate by the test on
 * the day, the starter's own nitrogen, half a pound after four to six weeks, then what is left of the year. An override of nitrogen
 * or phosphorus stands over it.
 */
export function prescribeEstablishment(
  facts: ZoneFacts,
  established: Pick<ZonePrescription, 'nitrogen' | 'phosphorus'>,
):
  | { nitrogen: NitrogenPrescription; phosphorus: NutrientPrescription; establishment: EstablishmentPrescription }
  | undefined {
  const { establishment, zone, codes, packs = BUILT_IN_PACKS } = facts;
  if (!establishment) return undefined;
  const { level } = established.phosphorus;
  const starterP2O5Lb = ownOf(zone, 'phosphorus')?.value ?? STARTER_P2O5_LB[level];
  const soluble = Math.min(STARTER_N_LB.soluble, codeDoseCap(codes, 'maxSolubleNPerDose'));
  const starterNLb =
    starterP2O5Lb > 0 ? Math.min(soluble, starterP2O5Lb * N_BESIDE_P2O5) : Math.min(soluble, STARTER_N_LB.without);
  const base = grassIn(packs, zone.grass).nitrogenLb[zone.care ?? 'standard'];
  const later = base * establishment.laterShare;
  const laterNLb = later >= LEAST_LATER_LB ? later : 0;
  const cap = codeYearCap(codes);
  const year = sureFigure(
    establishmentYear,
    {
      starterLb: traced(
        starterNLb,
        starterP2O5Lb > 0 ? 'beside the starter’s P2O5' : 'without P2O5, because the test is high',
      ),
      secondLb: traced(SECOND_LB, 'after four to six weeks; common practice'),
      laterLb: traced(laterNLb, 'share of the year that is left after six weeks'),
      codeLb: cap === undefined ? undefined : traced(cap, 'local code'),
    },
    {
      title: 'Nitrogen for the year',
      unit: 'lb N per 1000 ft2',
      usedIn: 'Season: starter, second dose and what is left add up to it.',
    },
  );
  const day = sayDate(establishment.on);
  const what = WORDS[establishment.kind];
  const exempt = phosphorusNeedsTest(codes)
    ? ' Most codes exempt a seeding from their phosphorus rule: check with the authority.'
    : '';
  const says = `${what} on ${day}${establishment.assumed ? ', the usual day here because none is given' : ''}. Starter that day, ${two(SECOND_LB)} lb N after ${SECOND_AFTER_DAYS.least / 7} to ${SECOND_AFTER_DAYS.most / 7} weeks, no nitrogen before it.${exempt}`;
  const own = established.nitrogen.own;
  return {
    nitrogen: own
      ? established.nitrogen
      : {
          year,
          steps: [
            { id: 'starter', lb: starterNLb, says: `With the starter of ${day}` },
            { id: 'second', lb: SECOND_LB, says: 'Second dose, four to six weeks later' },
            ...(laterNLb > 0 ? [{ id: 'later' as const, lb: laterNLb, says: 'What is left of the year' }] : []),
            ...(year.value < starterNLb + SECOND_LB + laterNLb
              ? [
                  {
                    id: 'code' as const,
                    lb: year.value - starterNLb - SECOND_LB - laterNLb,
                    says: 'Held to the local code',
                  },
                ]
              : []),
          ],
          note: says,
        },
    phosphorus: {
      ...established.phosphorus,
      level,
      says:
        starterP2O5Lb > 0
          ? `Starter for the ${what.toLowerCase()}: ${two(starterP2O5Lb)} lb P2O5 on the day, phosphorus ${level === 'not-tested' ? 'not tested' : `tests ${level.replace('-', ' ')}`}.${exempt}`
          : 'Phosphorus tests high: the seeding gets nitrogen and no P2O5.',
      yearLb: starterP2O5Lb,
      year:
        starterP2O5Lb > 0
          ? sureFigure(
              starterPhosphate,
              { level: traced(level === 'unreadable' ? 'not-tested' : level, 'soil report, phosphorus') },
              {
                title: 'Starter phosphate',
                unit: 'lb P2O5 per 1000 ft2',
                usedIn: 'Season: the starter brings it on the day.',
              },
            )
          : undefined,
    },
    establishment: {
      kind: establishment.kind,
      workable: establishment.workable,
      on: establishment.on,
      assumed: establishment.assumed,
      starterP2O5Lb,
      starterNLb,
      secondNLb: SECOND_LB,
      laterNLb,
      says,
    },
  };
}
