import { shortfallsOf } from '@core/season/shortfalls/shortfalls';
import { BoardShortfalls } from './board/board-shortfalls';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import { readFileSync } from 'node:fs';
import { MemoryRouter } from 'react-router';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { roundedTo } from '@core/words/numbers';
import { describe, expect, it, vi } from 'vitest';
import { readCase } from '@core/files/case-file';
import { type Case, type PlannedDose, type Product } from '@core/records/case';
import { isRefusal } from '@core/reckoning/refusal';
import { doseKey } from '@core/season/plan/dose-key';
import { yearScale } from '../../ui/year-plot';
import { judgePlan } from '@core/season/checks/judge-plan';
import { planSeason } from '@core/season/draft/plan-season';
import { plannedDosesOf } from '@core/season/plan/planned-doses';
import { withDoses } from '@core/season/plan/with-doses';
import { AddDose } from './board/add-dose';
import { BoardLanes, type BoardHand } from './board/board-lanes';
import { Buying } from './export/buying';
import { Compare } from './compare/compare';
import { ConsequenceLine } from './board/consequence-line';
import { DosePanel } from './board/dose-panel';
import { DoseTable } from './board/dose-table';
import { clashes, layOut } from './board/lane-layout';
import { NothingFound, provenance } from './search/solve-bar';
import { SearchLine } from '../../solving/search-line';
import { SearchProgress } from '../../solving/use-solver';
import { PlanOptions } from './search/plan-options';
import { keysOfGivenDoses } from '@core/season/plan/doses-given';

const read = readCase(readFileSync('demo/quarry-lane-school.json', 'utf8'));
if (isRefusal(read)) throw new Error(read.refused);
const given: Case = read;
const products = given.products!;
const draft = planSeason(given, 2027);
const doses = plannedDosesOf(draft, new Set());
const lawn = draft.zones.find((z) => z.zone.id === 'south-lawn')!;
const first = lawn.doses.find((d) => d.for === 'N')!;
const firstPlanned = doses.find((d) => doseKey(d) === doseKey(first))!;
const inRouter = (what: React.ReactNode) => render(<MemoryRouter>{what}</MemoryRouter>);

describe('the board', () => {
  const hand = () => ({
    move: vi.fn(),
    stretch: vi.fn(),
    remove: vi.fn(),
    lock: vi.fn(),
    select: vi.fn(),
    preview: vi.fn(),
  });
  const board = (of: BoardHand, planned: PlannedDose[] = doses, file: Case = given) => {
    const season = withDoses(planSeason(file, 2027), file, planned);
    return inRouter(
      <BoardLanes
        given={keysOfGivenDoses(file)}
        ghosts={[{ ...first, date: '2027-03-29' }]}
        season={season}
        products={products}
        planned={planned}
        judged={judgePlan(file, season)}
        today="2027-04-05"
        focusedZoneId="south-lawn"
        selected={undefined}
        hand={of}
      />,
    );
  };
  const block = () => document.querySelector<HTMLElement>(`[data-dose="${doseKey(first)}"]`)!;

  it('has a lane for each zone and says each dose in full', () => {
    board(hand());
    for (const { zone } of draft.zones)
      expect(screen.queryAllByRole('region', { name: new RegExp(`^${zone.name}, `) })).toHaveLength(1);
    expect(block().getAttribute('aria-label')).toMatch(/lb N per 1000 sq ft as .*, \d+\.\d lb product for the zone/);
  });
  it('moves by a week or four, stretches, locks and removes by keys', () => {
    const keys = hand();
    board(keys);
    fireEvent.keyDown(block(), { key: 'ArrowRight' });
    fireEvent.keyDown(block(), { key: 'ArrowLeft', shiftKey: true });
    fireEvent.keyDown(block(), { key: 'ArrowUp' });
    fireEvent.keyDown(block(), { key: 'l' });
    fireEvent.keyDown(block(), { key: 'Delete' });
    expect(keys.move.mock.calls).toEqual([
      [doseKey(first), 1],
      [doseKey(first), -4],
    ]);
    expect(keys.stretch).toHaveBeenCalledWith(doseKey(first), 0.05);
    expect(keys.lock).toHaveBeenCalledWith(doseKey(first));
    expect(keys.remove).toHaveBeenCalledWith(doseKey(first));
  });
  it('leaves keys with Ctrl to the page, and a dose that is given alone', () => {
    const keys = hand();
    const applied = [{ date: first.date, productId: first.productId, zoneLb: first.zoneLb }];
    board(keys, doses, { ...given, zones: given.zones.map((z) => (z.id === 'south-lawn' ? { ...z, applied } : z)) });
    expect(block().getAttribute('aria-label')).toContain(', given');
    fireEvent.keyDown(block(), { key: 'ArrowRight' });
    fireEvent.keyDown(block(), { key: 'z', ctrlKey: true });
    expect(keys.move).not.toHaveBeenCalled();
  });
  it('joins two feedings that stand too close and prints the shortfall', () => {
    const close: PlannedDose[] = [
      firstPlanned,
      { ...firstPlanned, productId: 'urea-46', rateLb: 1, date: '2027-05-10' },
    ].map((d, i) => ({ ...d, date: ['2027-05-03', '2027-05-10'][i]! }));
    board(hand(), close);
    expect(document.querySelector('.shortfall')?.textContent).toMatch(/\d+ d, needs \d+/);
  });
  it('puts doses that would touch below each other', () => {
    const same = [first, { ...first, productId: 'urea-46' }, { ...first, date: '2027-12-27' }];
    const blocks = layOut(same, 806, yearScale(365, 806));
    expect(blocks.map((b) => b.row)).toEqual([0, 1, 0]);
    // a block of the last week still stands on the plot
    expect(blocks[2]!.left + blocks[2]!.width).toBeLessThan(806);
    expect(clashes(blocks, [])).toEqual([]);
  });
});

describe('the picked dose', () => {
  const panel = (over: Partial<React.ComponentProps<typeof DosePanel>> = {}) => {
    const acts = {
      onMoveTo: vi.fn(),
      onRate: vi.fn(),
      onSwap: vi.fn(),
      onLock: vi.fn(),
      onRemove: vi.fn(),
      onClose: vi.fn(),
    };
    render(
      <DosePanel
        dose={first}
        planned={firstPlanned}
        zone={lawn.zone}
        products={products}
        year={2027}
        given={false}
        why={{ week: 'No other week serves as well.' }}
        {...acts}
        {...over}
      />,
    );
    return acts;
  };
  it('takes a typed rate when the field is left, and only where it changed', () => {
    const acts = panel();
    const field = screen.getByRole('spinbutton');
    fireEvent.blur(field);
    expect(acts.onRate).not.toHaveBeenCalled();
    fireEvent.change(field, { target: { value: '1.55' } });
    fireEvent.blur(field);
    expect(acts.onRate).toHaveBeenCalledWith(1.55);
  });
  it('asks once for a rate that is refused: leaving the field does not make its bound of it', () => {
    const acts = panel();
    const field = screen.getByRole('spinbutton');
    fireEvent.input(field, { target: { value: '1e9' } });
    fireEvent.keyDown(field, { key: 'Enter', code: 'Enter', keyCode: 13, which: 13 });
    fireEvent.input(field, { target: { value: 'a lot' } });
    fireEvent.keyDown(field, { key: 'Enter', code: 'Enter', keyCode: 13, which: 13 });
    fireEvent.blur(field);
    expect(acts.onRate.mock.calls.map(([lb]) => lb as number)).toEqual([1e9, NaN]);
    expect(screen.getByRole('spinbutton')).toHaveProperty('value', String(roundedTo(first.rateLb, 2)));
  });
  it('says what other choices come to, as far as they have been tried out', () => {
    panel();
    const why = screen.getByRole('region', { name: 'Other choices, tried out' });
    expect(why.textContent).toContain('Another weekNo other week serves as well.');
    expect(why.textContent).toContain('Another ratebeing tried out');
  });
  it('names every pound it shows', () => {
    panel();
    const text = document.querySelector('.dosepanel')!.textContent;
    for (const [, after] of text.matchAll(/\d lb ([a-z]*)/gi))
      expect(after).toMatch(/product|N|P|K|Mg|free|soluble|combined|lime/);
  });
  it('locks and removes, and does neither to a dose that is given', () => {
    const acts = panel();
    fireEvent.click(screen.getByRole('checkbox'));
    fireEvent.click(screen.getByRole('button', { name: 'Delete dose' }));
    expect([acts.onLock.mock.calls.length, acts.onRemove.mock.calls.length]).toEqual([1, 1]);
  });
  it('says of a given dose that it stands', () => {
    panel({ given: true });
    expect(screen.queryAllByText(/Given already/)).toHaveLength(1);
    expect(screen.queryByRole('button', { name: 'Delete dose' })).toBeNull();
  });
});

describe('wishes', () => {
  const wishes = (zone = lawn, choices: Case['choices'] = {}) => {
    const acts = { onAim: vi.fn(), onChoices: vi.fn(), onProduct: vi.fn() };
    render(<PlanOptions choices={choices} aim="balanced" zoneSeason={zone} picked={{}} {...acts} />);
    return acts;
  };
  it('offers late nitrogen to cool-season grass and potash to warm-season grass, each with what speaks against it', () => {
    wishes();
    expect(screen.queryAllByLabelText('Late nitrogen of cool-season grass')).toHaveLength(1);
    expect(screen.queryAllByText(/Against:/)).toHaveLength(1);
    wishes(draft.zones.find((z) => z.grass.season === 'warm')!);
    expect(screen.queryAllByLabelText('Potash of warm-season grass')).toHaveLength(1);
  });
  it('stores trips only when they are a number that can be, and takes the wish back when it is emptied', () => {
    const acts = wishes(lawn, { maxTrips: 6 });
    const trips = screen.getByLabelText('Most trips in the year');
    fireEvent.change(trips, { target: { value: '0' } });
    fireEvent.blur(trips);
    expect(acts.onChoices).not.toHaveBeenCalledWith({ maxTrips: 0 });
    fireEvent.change(trips, { target: { value: '' } });
    fireEvent.blur(trips);
    expect(acts.onChoices).toHaveBeenLastCalledWith({ maxTrips: undefined });
  });
  it('changes the aim', () => {
    const acts = wishes();
    fireEvent.click(screen.getByText('Fewest trips'));
    expect(acts.onAim).toHaveBeenCalledWith('fewest-trips');
  });
});

describe('plans side by side', () => {
  const compare = (asides: Case['plans'] = []) => {
    const [acts, onSet] = [{ onSetAside: vi.fn(), onTake: vi.fn(), onDrop: vi.fn() }, vi.fn()];
    const others = [{ label: 'Set last year’s aside', onSet }];
    render(
      <Compare file={given} draft={draft} season={draft} asides={asides} zone={lawn.zone} others={others} {...acts} />,
    );
    return { ...acts, onSet };
  };
  const aside = (id: string, name: string) => ({
    id,
    year: 2027,
    aside: true,
    name,
    products: undefined,
    solved: undefined,
    doses: [firstPlanned],
  });
  it('begins with the board alone and says how another comes beside it', () => {
    const acts = compare();
    expect(screen.queryAllByRole('columnheader', { name: 'On the board' })).toHaveLength(1);
    expect(screen.queryAllByText(/Up to three/)).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'Set last year’s aside' }));
    expect(acts.onSet).toHaveBeenCalledOnce();
  });
  it('holds three at most, and takes or drops each', () => {
    const acts = compare([aside('a', 'By hand'), aside('b', 'Cheapest')]);
    expect(screen.getAllByRole('columnheader')).toHaveLength(4);
    expect(screen.getByRole('button', { name: 'Set this plan aside to compare' })).toHaveProperty('disabled', true);
    fireEvent.click(screen.getAllByRole('button', { name: 'Use this plan' })[1]!);
    expect(acts.onTake).toHaveBeenCalledWith([firstPlanned], 'Cheapest');
    fireEvent.click(screen.getAllByRole('button', { name: 'Delete' })[0]!);
    expect(acts.onDrop.mock.calls[0]?.[0]).toMatchObject({ id: 'a' });
  });
  it('never lets a plan be taken that is there for comparison only', () => {
    compare([{ ...aside('a', 'Weekly light feeding in fall'), comparisonOnly: true } as never]);
    expect(screen.queryAllByText('For comparison only, never planned')).toHaveLength(1);
    expect(screen.queryByRole('button', { name: 'Use this plan' })).toBeNull();
    expect(screen.queryAllByRole('button', { name: 'Delete' })).toHaveLength(1);
  });
  it('tells what each would cost, mow and fail', () => {
    compare([aside('a', 'One dose')]);
    const row = (name: RegExp) => within(screen.getByRole('row', { name })).getAllByRole('cell');
    expect(row(/^Cost of what is bought/)[0]?.textContent).toMatch(/^\$\d/);
    expect(row(/^Mowings to expect/)[1]?.textContent).toMatch(/^about \d+$/);
    expect(row(/^Checks/)[1]?.textContent).toMatch(/0 fail, [1-9]\d* warn/);
  });
});

describe('a search and its end', () => {
  it('tells how far the best so far is proven, and may be stopped', () => {
    const stop = vi.fn();
    const progress = new SearchProgress();
    progress.tell({ seconds: 0.4 });
    render(<SearchLine progress={progress} onStop={stop} />);
    expect(screen.getByRole('status').textContent).toContain('Looking for a first plan');
    act(() => progress.tell({ seconds: 1, best: 120, doses }));
    expect(screen.getByRole('status').textContent).toContain('$120.00 with all wishes weighed, not proven yet, 1 s');
    act(() => progress.tell({ seconds: 3, best: 97.5, gapPercent: 4.25, doses }));
    expect(screen.getByRole('status').textContent).toContain('proven within 4.3 % of the best');
    fireEvent.click(screen.getByRole('button', { name: 'Stop and take the best so far' }));
    expect(stop).toHaveBeenCalledOnce();
  });
  it('says where a plan comes from', () => {
    const solved = { on: '2027-04-05', status: 'optimal' as const, gapPercent: 0.4 };
    const plan = { id: 'p', year: 2027, products: undefined, solved, doses };
    expect(provenance(undefined, false)).toBe('a first draft by the plain rule');
    expect(provenance(plan, false)).toBe('proven within 0.40 % of the best; not saved yet');
    expect(provenance({ ...plan, keptOn: '2027-04-06' }, true)).toBe('saved 6 Apr 2027');
    expect(provenance({ ...plan, solved: { ...solved, gapPercent: 0.01 } }, false)).toContain('the best there is');
  });
  it('says where the search found nothing, and goes when it is closed', () => {
    const close = vi.fn();
    render(<NothingFound onClose={close} />);
    expect(screen.getByRole('alert').textContent).toContain('stands as it was');
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(close).toHaveBeenCalledOnce();
  });
  it('says what is short, why, and cures it by a button where it can be done', () => {
    const cured = vi.fn();
    const bare = { ...given, products: [] };
    const shortfalls = shortfallsOf(bare, withDoses(planSeason(bare, 2027), bare, []));
    expect(shortfalls.length).toBeGreaterThan(0);
    render(<BoardShortfalls shortfalls={shortfalls} zoneName={() => 'Front'} onCure={cured} />);
    const region = screen.getByRole('region', { name: 'Shortfalls' });
    expect(region.textContent).toMatch(/Front: 0\.00 of \d\.\d\d lb N per 1000/);
    fireEvent.click(screen.getAllByRole('button', { name: /^Buy / })[0]!);
    expect(cured).toHaveBeenCalledWith(shortfalls.find((each) => each.cure.does)!.cure.does);
  });
  it('reads a step’s consequence out: what broke, what it cost, how many trips', () => {
    const [check] = judgePlan(given, withDoses(draft, given, [{ ...firstPlanned, rateLb: 90 }])).checks.filter(
      (c) => c.standing === 'fail',
    );
    render(<ConsequenceLine says="Coated urea moved" of={{ broken: [check!], mended: [], cost: -12.5, trips: 1 }} />);
    const said = screen.getByRole('status');
    expect(said.textContent).toMatch(/^Coated urea moved\. Breaks .*Saves \$12\.50\. 1 trip more\.$/);
    expect(said.className).toContain('is-broken');
  });
});

describe('under the board', () => {
  it('lists each dose with its rate, weigh-out and reason', () => {
    render(<DoseTable zoneSeason={lawn} products={products} />);
    expect(screen.getAllByRole('row').length).toBeGreaterThan(lawn.doses.length);
    expect(screen.queryAllByText(first.why)).toHaveLength(1);
  });
  it('adds what is bought up to the cost of the plan', () => {
    const all = draft.zones.flatMap((z) => z.doses);
    render(<Buying doses={all} products={products} />);
    const cost = judgePlan(given, draft).cost;
    expect(document.body.textContent).toContain(`$${cost.toFixed(2)}`);
  });
  it('says what comes from stock, what is bought by the pound, and what a truck would bring', () => {
    const lime = { ...products.find((p) => p.id === 'calcitic-lime')!, onHandLb: 0 };
    const buy = (product: Product, zoneLb: number) => {
      const { unmount, container } = render(
        <Buying doses={[{ ...first, productId: product.id, zoneLb }]} products={[product]} />,
      );
      const text = container.querySelector('li')!.textContent;
      unmount();
      return text;
    };
    expect(buy({ ...lime, onHandLb: 100 }, 30)).toMatch(/pelletedfrom stock30\.0 lb product needed/);
    expect(buy(lime, 30)).toMatch(/pelleted1 bag\$/);
    // a product without a bag on its label is bought all the same
    expect(buy({ ...lime, package: undefined }, 30)).toMatch(/pelleted30\.0 lb productno price/);
    expect(buy(lime, 1000)).toMatch(/, or 0\.50 tons of lime in bulk/);
  });
  const addForm = (over: Partial<React.ComponentProps<typeof AddDose>> = {}) => {
    const [add, close] = [vi.fn(), vi.fn()];
    render(
      <AddDose
        zones={given.zones}
        zoneId="south-lawn"
        products={products}
        year={2027}
        phosphorusWanted={false}
        nitrogenClosed={() => undefined}
        doses={doses}
        onAdd={add}
        onClose={close}
        {...over}
      />,
    );
    return { add, close };
  };
  const pick = (label: string, option: RegExp) => {
    fireEvent.mouseDown(screen.getByLabelText(label));
    fireEvent.click(screen.getAllByText(option, { selector: '.ant-select-item-option-content' }).at(-1) as HTMLElement);
  };
  it('adds no dose without its week, keeps the form open and says so', () => {
    const { add, close } = addForm();
    fireEvent.click(screen.getByRole('button', { name: 'Add this dose' }));
    expect(screen.queryAllByText('Choose the week it goes down.')).toHaveLength(1);
    expect(add).not.toHaveBeenCalled();
    fireEvent.click(screen.getByRole('button', { name: 'Close' }));
    expect(close).toHaveBeenCalledOnce();
  });
  it('where nitrogen is closed offers what brings none first, and a spray at the strength of one (judgement D5)', () => {
    const { add } = addForm({
      products: STARTER_SHELF.filter(({ id }) => ['urea-46', 'iron-chelate-10'].includes(id)),
      nitrogenClosed: () => 'Heat',
    });
    pick('Week of the new dose', /^4 Jan$/);
    expect(screen.queryAllByText(/Heat: nitrogen waits/)).toHaveLength(1);
    fireEvent.mouseDown(screen.getByLabelText('Product of the new dose'));
    const names = screen.getAllByText(/Iron chelate|Plain urea/, { selector: '.ant-select-item-option-content' });
    expect(names[0]?.textContent).toContain('Iron chelate');
    fireEvent.click(names[0] as HTMLElement);
    // 0.4 oz Fe from 10 % is a quarter of a pound (by hand)
    expect(screen.getByRole('spinbutton')).toHaveProperty('value', '0.25');
    fireEvent.click(screen.getByRole('button', { name: 'Add this dose' }));
    expect(add.mock.calls[0]?.[0]).toEqual(
      expect.arrayContaining([expect.objectContaining({ for: 'iron', productId: 'iron-chelate-10', rateLb: 0.25 })]),
    );
  });
});
