/** What goes with every sheet that tells somebody to spread. Common practice; labels and local codes come first. */
export const SPREADING_CAUTIONS = [
  'The label is the law, and local codes come first.',
  'Gloves, eye protection and long sleeves; no dust, no wind drift.',
  'Keep product off hard surfaces and out of water; sweep back what strays.',
  'Nothing on frozen, saturated, dormant or drought-stressed turf, nor before heavy rain.',
  'Keep children and pets off until it is watered in and dry.',
] as const;

/** Cautions of a purpose beside those. */
export const PURPOSE_CAUTIONS = {
  lime: 'Lime irritates skin and eyes; keep it two weeks from urea and ammonium, and water it in.',
  sulfur: 'Sulfur dust irritates eyes and lungs and can burn turf in heat; water it in.',
  gypsum: 'Gypsum dust irritates eyes; drain first, and leach with water after each dose.',
  N: 'Water nitrogen in within about a day.',
  K2O: 'Water potash in; salts burn wet leaves.',
  P2O5: 'Phosphorus only because the soil test asks for it.',
  iron: 'Iron stains paving, stone and skin: rinse at once; not above 85 deg F, not mown the day before and after.',
  manganese: 'Manganese on the leaf burns in heat: not above 85 deg F, not mown the day before and after.',
} as const;
