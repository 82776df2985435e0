import type { Product } from '../records/case';

/**
 * Share of surface urea that goes to the air as ammonia from limy soil: left dry, and with a watering or rain of a quarter of
 * an inch and more the same day (C5). Bowman et al. 1987, HortScience 22:84-87: 36 % dry, 3 to 8 % after 1 cm. Value from memory.
 */
export const SURFACE_UREA_LOSS = { dry: 0.36, watered: 0.08 } as const;

/** Percent of a product that lies on the ground as urea. A label without forms counts as urea. 46-0-0: 46; coated urea: 0. */
export const surfaceUreaPercent = ({ guaranteed, nitrogen }: Product): number =>
  nitrogen ? (nitrogen.urea ?? 0) + (nitrogen['other-soluble'] ?? 0) : (guaranteed.N ?? 0);

/** Nitrogen that a pound of product loses to the air on limy soil, lb N per lb product. 46-0-0 left dry: 0.1656. */
export const lostToAir = (product: Product, watered: boolean): number =>
  (surfaceUreaPercent(product) / 100) * SURFACE_UREA_LOSS[watered ? 'watered' : 'dry'];

/** Whether urea makes up so much of a product's nitrogen that another comes before it on limy soil (C5). Common practice. */
export const isSurfaceUrea = (product: Product): boolean =>
  surfaceUreaPercent(product) > 0.5 * (product.guaranteed.N ?? 0);
