import type { IrrigationWater } from '@core/records/case';

/** A water report that was read on one page for the form of another; gone once it is taken, and on reload. */
let handed: { propertyId: string; water: IrrigationWater } | undefined;

export const handOverWater = (propertyId: string, water: IrrigationWater): void => {
  handed = { propertyId, water };
};

/** The water that was handed over for a property. */
export const handedWater = (propertyId: string): IrrigationWater | undefined =>
  handed?.propertyId === propertyId ? handed.water : undefined;

export const letGoOfWater = (): void => {
  handed = undefined;
};
