import { describe, expect, it } from 'vitest';
import { addDays } from '../../days/day';
import { isRefusal } from '../../reckoning/refusal';
import { sayDay } from '../../words/days';
import { BADNESS } from '../checks/check';
import { draft, dose, GOOD, judged, laid, okonedo } from '../front-lawn.fixture';
import { doseKey } from '../plan/dose-key';
import { growthFit } from '../output/plan-figures';
import { weeklyNitrogen } from '../plan/weekly-nitrogen';
import { moveDose, setRate, swapProduct } from './edit-plan';
import { allAtOnce } from './steps';
import { whyDose } from './why-dose';

const before = judged(GOOD);
const why = (planned = GOOD[0]!, doses = GOOD, given = okonedo) =>
  whyDose(given, draft, doses, judged(doses, given), doseKey(planned))!;
const failing = (doses: typeof GOOD) =>
  judged(doses).checks.filter(
    (c) => BADNESS[c.standing] > BADNESS[before.checks.find((b) => b.id === c.id)?.standing ?? 'pass'],
  );

describe('why a dose is as it is', () => {
  it('names the weeks that serve as well, and every one of them breaks nothing', () => {
    const said = /^From (.+) to (.+) every week serves as well\./.exec(allAtOnce(why().week()));
    expect(said).not.toBeNull();
    const weeks = Array.from({ length: 17 }, (_, i) => i - 8).filter((by) => {
      const day = sayDay(addDays(GOOD[0]!.date, by * 7));
      return day === said![1] || day === said![2];
    });
    for (let by = weeks[0]!; by <= weeks[1]!; by++) {
      const moved = by === 0 ? GOOD : moveDose(GOOD, doseKey(GOOD[0]!), by);
      if (isRefusal(moved)) throw new Error(moved.refused);
      expect(failing(moved)).toEqual([]);
    }
  });
  it('tells what the next week on either side breaks or loses', () => {
    const week = allAtOnce(why(GOOD[1]).week());
    expect(week).toMatch(/Earlier: (heat|.*\(.*\)|.*free in its time)/);
    expect(week).toMatch(/Later: /);
  });
  it('tells of cheaper products with what speaks against them, tried out on the plan', () => {
    const product = allAtOnce(why(GOOD[0]).product());
    const cheaper = okonedo.products!.find((p) => product.includes(`${p.name}, cheaper`));
    expect(cheaper).toBeDefined();
    const swapped = swapProduct(GOOD, doseKey(GOOD[0]!), cheaper!, okonedo.products!);
    if (isRefusal(swapped)) throw new Error(swapped.refused);
    const broken = failing(swapped);
    if (broken.length > 0) expect(product).toContain(broken[0]!.title);
    else expect(product).toMatch(/cost|save|serve as well|free in its time/);
  });
  it('tells at which rate something breaks, and there it breaks', () => {
    const rate = allAtOnce(why(GOOD[1]).rate());
    const [, more] = /More, at ([\d.]+) lb product: /.exec(rate)!;
    const set = setRate(GOOD, doseKey(GOOD[1]!), Number(more));
    if (isRefusal(set)) throw new Error(set.refused);
    const broken = failing(set);
    expect(broken.length).toBeGreaterThan(0);
    expect(rate).toContain(broken[0]!.title);
  });
  it('says that nothing else brings it where the shelf holds no other', () => {
    const products = okonedo.products!.filter((p) => p.id === 'coated-urea-42');
    const alone = [dose('2027-05-03', 'coated-urea-42', 1.6)];
    expect(allAtOnce(why(alone[0], alone, { ...okonedo, products }).product())).toBe(
      'Nothing else on the shelf with a price brings N.',
    );
  });
  it('knows nothing of a dose that is gone', () => {
    expect(whyDose(okonedo, draft, GOOD, before, 'front-lawn/2027-01-04/none')).toBeUndefined();
  });
});

describe('growth fit', () => {
  it('counts what is free when it is asked, four weeks at a time', () => {
    const weeks = (first: number, second: number) => [
      ...new Array<number>(4).fill(first),
      ...new Array<number>(4).fill(second),
    ];
    expect(growthFit(weeks(0.1, 0.1), weeks(0.2, 0.05))).toBeCloseTo(75, 9);
    expect(growthFit([0, 0], [1, 0])).toBeUndefined();
  });
  it('is better for feedings spread over the season than for one of spring', () => {
    const fit = (doses: typeof GOOD) => {
      const { asked, freed } = weeklyNitrogen(laid(doses).zones[0]!, okonedo.products!, draft);
      return growthFit(asked, freed)!;
    };
    expect(fit(GOOD)).toBeGreaterThan(fit([dose('2027-05-03', 'coated-urea-42', 5.3)]) + 10);
  });
});
