import { defineReckoning } from '../reckoning/define';
import { choice } from '../reckoning/inputs';
import { STARTER_P2O5_LB } from '../season/rules/establishment';

/** Phosphate of a new stand by its test, lb P2O5/1000 ft2 (C8). Low: 1.0; enough or not tested: 0.5; high: 0. */
export const starterPhosphate = defineReckoning({
  id: 'nutrient.starter-phosphate',
  title: 'Starter phosphate',
  about: 'Seedlings have few roots: phosphate beside them helps where the soil is not rich in it already.',
  inputs: { level: choice('phosphorus level', ['very-low', 'low', 'enough', 'high', 'not-tested'] as const) },
  unit: 'lb P2O5 / 1000 ft2',
  formula: ['1.0 where low or very low, 0.5 where enough or not tested, 0 where high'],
  sources: [{ cite: 'Starter phosphate of seedings, land-grant turf bulletins', standing: 'from memory' }],
  limits: ['On the day of the seeding, once. Local codes come first; most exempt seedings.'],
  example: { inputs: { level: 'low' }, value: 1 },
  reckon({ level }, work) {
    const lb = STARTER_P2O5_LB[level];
    work.note('by level', level.replace('-', ' '), lb, 'lb P2O5');
    return lb;
  },
});
