import type { TextureGroup } from '../ground/texture-groups';
import { limestoneTo65, TEXTURE_TABLE_DEPTH_IN } from '../lime/texture-table';
import { defineReckoning } from '../reckoning/define';
import { depthIn, ph, textureGroup } from '../reckoning/inputs';
import { refuse } from '../reckoning/refusal';
import { interpolate, type TablePoint } from '../tables/interpolate';
import { CACO3_PER_S } from '../units/atomic-masses';
import { THOUSANDS_PER_ACRE } from '../units/conversions';

/** lb elemental S/acre that bring 6 in of soil without carbonate from a pH to 6.5. Western Fertilizer Handbook; from memory. */
const TO_PH_6_5_PER_ACRE: Record<TextureGroup, readonly TablePoint[]> = {
  sand: [
    [6.5, 0],
    [7.0, 100],
    [7.5, 500],
    [8.0, 1200],
    [8.5, 2000],
  ],
  loam: [
    [6.5, 0],
    [7.0, 150],
    [7.5, 800],
    [8.0, 1500],
    [8.5, 2500],
  ],
  clay: [
    [6.5, 0],
    [7.0, 300],
    [7.5, 1000],
    [8.0, 2000],
    [8.5, 3000],
  ],
};

/** From this pH on the table speaks only of soil that was seen not to fizz. Common practice. */
const LIMY_FROM_PH = 7.6;

/** Elemental sulfur without carbonate, lb S/1000 ft2. Loam, 7.5 to 6.5, 6 in: 18.37. */
export const sulfurRequirement = defineReckoning({
  id: 'sulfur.requirement',
  title: 'Sulfur requirement without carbonate',
  about: 'Elemental (free) sulfur that lowers pH in soil without free lime. First ask whether it is worth it.',
  inputs: {
    soilPh: ph('soil pH in water'),
    aimPh: ph('pH aimed at'),
    textureGroup: textureGroup(),
    treatedDepthIn: depthIn('depth to treat'),
  },
  unit: 'lb S / 1000 ft2',
  formula: [
    '6 in = (table(pH) − table(aim)) ÷ 43.56',
    'below 6.5: add limestone(aim to 6.5) ÷ 3.1218',
    'lb S/1000 = 6 in × depth ÷ 6',
  ],
  sources: [
    {
      cite: 'Western Fertilizer Handbook, California Plant Health Association, table of sulfur to pH 6.5',
      standing: 'from memory',
    },
    { cite: 'Stoichiometry of sulfur and calcium carbonate, IUPAC atomic masses', standing: 'published' },
  ],
  limits: [
    'Soil without carbonate, pH at most 8.5; aim 5.0 or more.',
    'An aim below 6.5 leaves the published table and is an estimate.',
  ],
  example: {
    inputs: { soilPh: 7.5, aimPh: 6.5, textureGroup: 'loam', treatedDepthIn: 6 },
    value: 800 / THOUSANDS_PER_ACRE,
  },
  reckon({ soilPh, aimPh, textureGroup, treatedDepthIn }, work) {
    if (soilPh > 8.5)
      return refuse(
        'soilPh',
        `The sulfur table ends at pH 8.5. A soil at ${soilPh} holds sodium or free lime: test for both first.`,
      );
    if (aimPh < 5) return refuse('aimPh', `An aim of pH ${aimPh} is too acid for any lawn grass: aim at 5.0 or more.`);
    if (soilPh <= aimPh) {
      work.note('soil pH is at or below the aim', 'no sulfur', 0, 'lb S');
      return 0;
    }
    if (soilPh >= LIMY_FROM_PH)
      work.caution('Only if a drop of acid shows no fizz: with free lime this sulfur is spent on the lime first.');
    const table = TO_PH_6_5_PER_ACRE[textureGroup];
    const fromSoil = interpolate(table, soilPh);
    const fromAim = interpolate(table, aimPh);
    work.note(`table, ${textureGroup}, from pH ${soilPh} to 6.5`, 'table(soilPh)', fromSoil, 'lb S/acre');
    if (aimPh > 6.5) work.note(`table, ${textureGroup}, from pH ${aimPh} to 6.5`, 'table(aimPh)', fromAim, 'lb S/acre');
    let sixInches = work.step(
      'for 6 in of soil',
      '(fromSoil − fromAim) ÷ 43.56',
      { fromSoil, fromAim },
      (fromSoil - fromAim) / THOUSANDS_PER_ACRE,
      'lb S',
    );
    if (aimPh < 6.5) {
      // the table stops at 6.5; below it the soil resists acid as it resists lime
      const limestone = limestoneTo65(textureGroup, aimPh) - limestoneTo65(textureGroup, soilPh);
      work.note(
        `limestone from pH ${aimPh} to ${Math.min(soilPh, 6.5)}, same soil`,
        'lime table',
        limestone,
        'lb CaCO3',
      );
      work.caution('The aim lies below 6.5, where the sulfur table stops: the rest is estimated from the lime table.');
      const tableS = sixInches;
      sixInches = work.step(
        'with the part below 6.5',
        'tableS + limestone ÷ perS',
        { tableS, limestone, perS: CACO3_PER_S },
        tableS + limestone / CACO3_PER_S,
        'lb S',
      );
    }
    return work.step(
      'depth to treat',
      'sixInches × treatedDepthIn ÷ 6',
      { sixInches, treatedDepthIn },
      (sixInches * treatedDepthIn) / TEXTURE_TABLE_DEPTH_IN,
      'lb S',
    );
  },
});
