import * as yup from 'yup';
import { list, num } from './strict-schema';
import { MOST } from './most';

const corner = yup
  .tuple([num('East, ft', { min: -1e6, max: 1e6 }).required(), num('South, ft', { min: -1e6, max: 1e6 }).required()])
  .required();
const lonLat = yup
  .tuple([num('Longitude', { min: -360, max: 360 }).required(), num('Latitude', { min: -90, max: 90 }).required()])
  .required();
const side = (label: string) => num(label, { above: 0, max: 100_000, unit: 'ft' }).required();

export const cornersFt = (label = 'Corners') => list(label, corner, MOST.corners);

/** The ways a piece of ground is measured; a record holds at most one. Where it lies on the sheet is `atFt` and `turnDeg`. */
export const shapeFields = {
  rectangle: yup
    .object({ lengthFt: side('Length'), widthFt: side('Width') })
    .optional()
    .default(undefined),
  triangle: yup
    .object({ aFt: side('Side a'), bFt: side('Side b'), cFt: side('Side c') })
    .optional()
    .default(undefined),
  /** Both widths through the middle; equal for a circle. */
  ellipse: yup
    .object({ lengthFt: side('Longest width'), widthFt: side('Shortest width') })
    .optional()
    .default(undefined),
  /** Distances straight out from a base line at equal spacing, both ends included. */
  offsets: yup
    .object({
      spacingFt: side('Spacing'),
      offsetsFt: list('Offsets', num('Each offset', { min: 0, max: 100_000, unit: 'ft' }).required(), 500)
        .required('Offsets are missing.')
        .min(2, 'Offsets need at least two distances.'),
    })
    .optional()
    .default(undefined),
  /** Corners of an outline, ft east and south of the sheet's corner. */
  cornersFt: cornersFt().optional(),
  /** A walked perimeter, longitude and latitude; `cornersFt` is the same ring on the sheet. */
  ring: list('Walked perimeter', lonLat, MOST.corners).optional(),
  /** Where the shape's upper left corner lies on the sheet, ft east and south. */
  atFt: corner.optional().default(undefined) as unknown as yup.Schema<[number, number] | undefined>,
  turnDeg: num('Turned by', { min: -360, max: 360, unit: 'degrees' }).optional(),
};

export { lonLat };
