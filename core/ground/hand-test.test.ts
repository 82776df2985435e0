import { describe, expect, it } from 'vitest';
import { BALL_ANSWERS, RIBBON_ANSWERS, RUB_ANSWERS } from '../records/vocabularies';
import { classByHand, classesLeft, nextQuestion } from './hand-test';
import { classOf } from './texture-class';
import { TEXTURE_CLASSES } from '../records/vocabularies';
import { middleOfClass, TRIANGLE } from './texture-triangle';

/** Whether a point lies inside a polygon, by counting crossings of a level line. */
const inside = (corners: readonly (readonly [number, number])[], x: number, y: number): boolean =>
  corners.reduce((odd, [x1, y1], i) => {
    const [x2, y2] = corners[(i + 1) % corners.length] as readonly [number, number];
    return y1 > y !== y2 > y && x < x1 + ((y - y1) / (y2 - y1)) * (x2 - x1) ? !odd : odd;
  }, false);

describe('the drawn triangle', () => {
  it('draws each point in the class that soil.texture-class gives it', () => {
    let looked = 0;
    // off the boundaries by a third of a percent, where both must agree
    for (let sand = 1 / 3; sand < 100; sand += 2)
      for (let clay = 1 / 7; sand + clay < 100; clay += 2) {
        const drawn = TEXTURE_CLASSES.filter((t) => inside(TRIANGLE[t], sand, clay));
        expect(drawn, `${sand} sand ${clay} clay`).toEqual([classOf(sand, 100 - sand - clay, clay)]);
        looked++;
      }
    expect(looked).toBeGreaterThan(1000);
  });
  it('marks the middle of each class inside it', () => {
    for (const texture of TEXTURE_CLASSES) {
      const [sand, clay] = middleOfClass(texture);
      expect(classOf(sand, 100 - sand - clay, clay)).toBe(texture);
    }
  });
});

describe('the hand test', () => {
  // Thien 1979, the flow diagram of texture by feel; from memory
  it.each([
    ['falls-apart', undefined, undefined, 'sand'],
    ['holds', 'none', undefined, 'loamy-sand'],
    ['holds', 'under-1', 'gritty', 'sandy-loam'],
    ['holds', 'under-1', 'neither', 'loam'],
    ['holds', 'under-1', 'smooth', 'silt-loam'],
    ['holds', '1-to-2', 'gritty', 'sandy-clay-loam'],
    ['holds', '1-to-2', 'neither', 'clay-loam'],
    ['holds', '1-to-2', 'smooth', 'silty-clay-loam'],
    ['holds', 'over-2', 'gritty', 'sandy-clay'],
    ['holds', 'over-2', 'neither', 'clay'],
    ['holds', 'over-2', 'smooth', 'silty-clay'],
  ] as const)('%s, %s, %s is %s', (ball, ribbon, rub, texture) => {
    expect(classByHand({ ball, ribbon, rub })).toBe(texture);
  });
  it('asks in order and only as long as several classes are left', () => {
    expect(nextQuestion({})).toBe('ball');
    expect(nextQuestion({ ball: 'holds' })).toBe('ribbon');
    expect(nextQuestion({ ball: 'holds', ribbon: 'none' })).toBeUndefined();
    expect(nextQuestion({ ball: 'holds', ribbon: 'over-2' })).toBe('rub');
    expect(classByHand({ ball: 'holds', ribbon: 'over-2' })).toBeUndefined();
  });
  it('never lets a later answer bring back what an earlier one ruled out', () => {
    for (const ball of BALL_ANSWERS)
      for (const ribbon of RIBBON_ANSWERS)
        for (const rub of RUB_ANSWERS) {
          const first = classesLeft({ ball });
          const second = classesLeft({ ball, ribbon });
          expect(first).toEqual(expect.arrayContaining(second));
          expect(second).toEqual(expect.arrayContaining(classesLeft({ ball, ribbon, rub })));
        }
  });
});
