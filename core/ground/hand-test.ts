import type { BallAnswer, RibbonAnswer, RubAnswer, TextureClass } from '../records/vocabularies';

/**
 * Texture by hand in three questions, after Thien, S. J. 1979, "A flow diagram for teaching texture-by-feel analysis",
 * Journal of Agronomic Education 8:54-55 (from memory). Silt is not in that flow: by hand it cannot be told from silt loam.
 */

export interface HandTest {
  ball?: BallAnswer;
  ribbon?: RibbonAnswer;
  rub?: RubAnswer;
}

/** Rows of the flow by ribbon, columns by feel: gritty, neither, smooth. */
const BY_RIBBON: Record<Exclude<RibbonAnswer, 'none'>, Record<RubAnswer, TextureClass>> = {
  'under-1': { gritty: 'sandy-loam', neither: 'loam', smooth: 'silt-loam' },
  '1-to-2': { gritty: 'sandy-clay-loam', neither: 'clay-loam', smooth: 'silty-clay-loam' },
  'over-2': { gritty: 'sandy-clay', neither: 'clay', smooth: 'silty-clay' },
};
const ROWS = Object.values(BY_RIBBON).map((row) => Object.values(row));

/** Classes that the answers so far still allow. Nothing answered: all eleven; a ball that falls apart: sand alone. */
export function classesLeft({ ball, ribbon, rub }: HandTest): TextureClass[] {
  if (ball === 'falls-apart') return ['sand'];
  if (ribbon === 'none') return ['loamy-sand'];
  if (ribbon !== undefined) {
    const row = BY_RIBBON[ribbon];
    return rub === undefined ? Object.values(row) : [row[rub]];
  }
  const held: TextureClass[] = ['loamy-sand', ...ROWS.flat()];
  return ball === 'holds' ? held : ['sand', ...held];
}

export type HandQuestion = 'ball' | 'ribbon' | 'rub';

/** The question that comes next, or undefined once one class is left. */
export function nextQuestion(test: HandTest): HandQuestion | undefined {
  if (classesLeft(test).length === 1) return undefined;
  if (test.ball === undefined) return 'ball';
  return test.ribbon === undefined ? 'ribbon' : 'rub';
}

/** The class of a finished hand test, or undefined while several are left. `{ball:'holds', ribbon:'under-1', rub:'smooth'}` is silt-loam. */
export function classByHand(test: HandTest): TextureClass | undefined {
  const left = classesLeft(test);
  return left.length === 1 ? left[0] : undefined;
}
