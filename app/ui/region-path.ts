import type { Region } from '@core/ground/clip';
import type { Pair } from '@core/reckoning/inputs';
import { fixed } from '@core/words/numbers';

/** A region as the path of a drawing, to a tenth of a pixel; `at` puts a point of the ground on it. */
export const regionPath = (region: Region, at: (point: Pair) => Pair): string =>
  region
    .map(
      (ring) =>
        `M${ring
          .map((corner) =>
            at(corner)
              .map((px) => fixed(px, 1))
              .join(' '),
          )
          .join('L')}Z`,
    )
    .join('');
