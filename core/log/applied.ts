import type { IsoDay } from '../days/day';
import type { Zone } from '../records/case';

/** What went down on a zone, lb product on the whole of it, by day. */
export interface Applied {
  date: IsoDay;
  productId: string;
  zoneLb: number;
}

/** All that was put down on a zone, the oldest first: every reader of what was given asks here. */
export const appliedOn = ({ applied = [] }: Pick<Zone, 'applied'>): Applied[] =>
  [...applied].sort((a, b) => a.date.localeCompare(b.date));
