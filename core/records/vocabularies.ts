/** The words that records and files may use, in the trade's own vocabulary. */

export const GRASS_IDS = [
  'kentucky-bluegrass',
  'perennial-ryegrass',
  'tall-fescue',
  'fine-fescue',
  'creeping-bentgrass',
  'bermudagrass',
  'zoysiagrass',
  'centipedegrass',
  'st-augustinegrass',
  'bahiagrass',
  'buffalograss',
  'seashore-paspalum',
] as const;
export type GrassId = (typeof GRASS_IDS)[number];
export const CARE_LEVELS = ['low', 'standard', 'high'] as const;
export type Care = (typeof CARE_LEVELS)[number];

/** USDA soil texture classes, in the order in which their bounds are tested. Source: USDA Soil Survey Manual. */
export const TEXTURE_CLASSES = [
  'sand',
  'loamy-sand',
  'sandy-loam',
  'sandy-clay-loam',
  'loam',
  'silt-loam',
  'silt',
  'clay-loam',
  'silty-clay-loam',
  'sandy-clay',
  'silty-clay',
  'clay',
] as const;
export type TextureClass = (typeof TEXTURE_CLASSES)[number];

/** Answers of the texture test by hand, in the order of its questions. */
export const BALL_ANSWERS = ['falls-apart', 'holds'] as const;
export const RIBBON_ANSWERS = ['none', 'under-1', '1-to-2', 'over-2'] as const;
export const RUB_ANSWERS = ['gritty', 'neither', 'smooth'] as const;
export type BallAnswer = (typeof BALL_ANSWERS)[number];
export type RibbonAnswer = (typeof RIBBON_ANSWERS)[number];
export type RubAnswer = (typeof RUB_ANSWERS)[number];

export const TURF = ['established', 'close-cut', 'tilled'] as const;
export const ZONE_STATES = ['established', 'new-seeding', 'renovation', 'sod'] as const;
export const LIGHT = ['full-sun', 'part-shade', 'shade', 'deep-shade'] as const;
export const WEAR = ['light', 'moderate', 'heavy'] as const;
export const CARBONATES = ['unknown', 'none', 'slight', 'strong'] as const;
export const DRAINAGE = ['good', 'moderate', 'poor'] as const;
export const MEASURED_BY = ['tape', 'wheel', 'pacing', 'plan', 'walk'] as const;
export type MeasuredBy = (typeof MEASURED_BY)[number];
/** What a cut-out is: it decides only its name in the reckoning line. */
export const CUT_OUTS = ['building', 'bed', 'path', 'paving', 'pool', 'tree', 'other'] as const;
/** Analytes that are a mass in soil and want a unit. */
export const NUTRIENTS = ['P', 'K', 'Ca', 'Mg', 'S', 'Na', 'Fe', 'Mn', 'Zn', 'Cu', 'B', 'NO3-N'] as const;
export const ANALYTES = [
  'pH',
  'buffer-pH',
  ...NUTRIENTS,
  'OM',
  'CEC',
  'EC',
  'SAR',
  'ESP',
  'CaCO3',
  'Al',
  'acidity',
] as const;
export type Analyte = (typeof ANALYTES)[number];
export const UNITS = ['ppm', 'mg/dm3', 'lb/acre', 'kg/ha', 'index', 'cmolc/kg', '%', 'dS/m'] as const;
export const METHODS = [
  'water-1:1',
  'water-1:2',
  'water-1:5',
  'saturated-paste',
  'cacl2',
  'mehlich',
  'smp',
  'adams-evans',
  'sikora',
  'moore-sikora',
  'modified-mehlich',
  'mehlich-3',
  'mehlich-1',
  'bray-p1',
  'olsen',
  'morgan',
  'modified-morgan',
  'ammonium-acetate',
  'dtpa',
  'hot-water',
  'sum',
  'combustion',
  'loss-on-ignition',
] as const;
export type Method = (typeof METHODS)[number];
export const NITROGEN_FORMS = [
  'ammoniacal',
  'nitrate',
  'urea',
  'other-soluble',
  'polymer-coated-urea',
  'sulfur-coated-urea',
  'methylene-urea',
  'ibdu',
  'ureaform',
  'natural-organic',
] as const;
export type NitrogenForm = (typeof NITROGEN_FORMS)[number];
/** What becomes of what the mower takes off. */
export const CLIPPINGS = ['returned', 'bagged', 'mulched'] as const;
/** Hand instruments and what their reading means: pH in a wetted soil, soil temperature in deg F. */
export const INSTRUMENTS = ['ph-pen', 'soil-thermometer'] as const;
export type Instrument = (typeof INSTRUMENTS)[number];
/** Figures of a prescription that an agronomist may replace with an own one; `nitrogen-dose` is the most N of one dose. */
export const OWN_LINES = [
  'lime',
  'free-sulfur',
  'nitrogen',
  'phosphorus',
  'potassium',
  'magnesium',
  'sulfur',
  'aim-ph',
  'treated-depth',
  'root-zone',
  'gypsum',
  'nitrogen-dose',
  'iron-sprays',
  'manganese-sprays',
] as const;
export type OwnLine = (typeof OWN_LINES)[number];
