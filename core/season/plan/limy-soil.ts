import { FREE_LIME_ABOVE_PH } from '../../soil/limy-soil';
import { carbonateStanding } from '../../soil/report';
import type { ZoneSeason } from './season-plan';

/** Whether a zone's soil turns surface urea into ammonia that is lost: above pH 7.3, or with free carbonate (C5). */
export const isLimySoil = ({ zone, read }: Pick<ZoneSeason, 'zone' | 'read'>): boolean =>
  (read?.ph?.ph ?? 0) > FREE_LIME_ABOVE_PH || carbonateStanding(zone, read?.readings ?? []) === 'present';
