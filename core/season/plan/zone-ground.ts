import { dayOfYear } from '../../days/day';
import type { LocalCode } from '../../records/case';
import type { Ground } from '../rules/open-days';
import type { SeasonPlan, ZoneSeason } from './season-plan';

/** What decides the open days of a zone; undefined where it has no climate to date by. */
export function zoneGround(
  { season, from, fromIs, schools, prescription: { establishment } }: ZoneSeason,
  { year, soilF }: Pick<SeasonPlan, 'year' | 'soilF'>,
  codes: readonly LocalCode[],
): Ground | undefined {
  return (
    season && {
      year,
      firstDay: from > `${year}-01-01` ? dayOfYear(from) : 0,
      firstDayIs: fromIs.says,
      season,
      soilF,
      codes,
      alsoOpen: schools?.alsoOpen ?? {},
      seedingDay: establishment && dayOfYear(establishment.on),
    }
  );
}
