import type { IsoDay } from '../../days/day';

/** Names a dose among those of a property: no zone is given the same product twice on a day. */
export const doseKey = (dose: { zoneId: string; date: IsoDay; productId: string }): string =>
  `${dose.zoneId}/${dose.date}/${dose.productId}`;
