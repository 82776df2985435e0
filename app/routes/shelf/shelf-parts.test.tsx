import { fireEvent, render, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { describe, expect, it, vi } from 'vitest';
import type { Product } from '@core/records/case';
import type { Grade } from '@core/products/label/grade';
import { STARTER_SHELF } from '@core/packs/starter-shelf';
import { BagFace, BagsOnHand } from '../../ui/bag-face';
import { GranuleSquare } from '../../ui/granule-square';
import { NitrogenStrip, nitrogenParts } from '../../ui/nitrogen-strip';
import { CoverageRuler } from './coverage-ruler';
import { GradeEntry } from './grade-entry';
import { ProductRow } from './product-row';
import { groupOf, isAbout, isOnly, priceFigure, shelved } from './shelf-groups';
import { labelFrom, labelSoFar, productFromTyped, type TypedLabel } from './typed-label';
import { usUnits } from '../../ui/format';

const starter = (id: string): Product => STARTER_SHELF.find((product) => product.id === id) as Product;
const typed = (over: Partial<TypedLabel> = {}): TypedLabel => ({
  ...labelFrom(undefined, usUnits),
  name: 'Some bag',
  ...over,
});

describe('a typed label', () => {
  it('shows every product of the starter shelf and reads it back the same', () => {
    for (const product of STARTER_SHELF) {
      const answer = productFromTyped(labelFrom(product, usUnits), [], false, usUnits);
      expect(answer, product.name).toEqual({ product });
    }
  });
  it('keeps what was typed apart from what it means: a faulty number has its sentence, the rest is still read', () => {
    const given = typed({ grade: { N: 20, P2O5: 0, K2O: 10 }, typedGrade: '20-0-10', nitrogen: { urea: '2O' } });
    expect(productFromTyped(given, [], false, usUnits)).toMatchObject({
      faults: { 'nitrogen.urea': expect.stringContaining('must be a number') as string },
    });
    expect(labelSoFar(given, usUnits).guaranteed).toEqual({ N: 20, K2O: 10 });
  });
  it('asks which reading is meant before it counts, unless it is only a draft', () => {
    const given = typed({ typedGrade: '32010' });
    expect(productFromTyped(given, [], false, usUnits)).toMatchObject({
      faults: { grade: expect.stringContaining('Say which') as string },
    });
    expect(productFromTyped(given, [], true, usUnits)).toMatchObject({ product: { unfinished: true } });
  });
  it('refuses forms that do not add up, keeps them in a draft, and gives an id of its own', () => {
    const given = typed({ grade: { N: 32, P2O5: 0, K2O: 10 }, typedGrade: '32-0-10', nitrogen: { urea: '30' } });
    expect(productFromTyped(given, [], false, usUnits)).toMatchObject({
      faults: { nitrogen: expect.stringContaining('add up to 30') as string },
    });
    expect(productFromTyped(given, ['some-bag'], true, usUnits)).toMatchObject({
      product: { id: 'some-bag-2', unfinished: true },
    });
  });
});

describe('the board', () => {
  it('groups by what a bag is for, the cheaper pound first', () => {
    const groups = shelved(STARTER_SHELF);
    expect(groups.map(({ group }) => group.id)).toEqual(['nitrogen', 'potash', 'ph', 'other', 'pesticide']);
    for (const { group, products } of groups.filter(({ group: { id } }) => id === 'nitrogen' || id === 'potash')) {
      const prices = products.map((product) => priceFigure(product)?.figure.value ?? Infinity);
      expect(prices, group.title).toEqual([...prices].sort((a, b) => a - b));
    }
    expect(groupOf({ ...starter('urea-46'), unfinished: true })).toBe('unfinished');
    expect(groupOf({ id: 'p', name: 'TSP', guaranteed: { P2O5: 46 } })).toBe('phosphate');
  });
  it('prices a pound of what acts: N of the bag, CaCO3 of the ECCE, free sulfur, and nothing without a price', () => {
    expect(priceFigure(starter('urea-46'))?.figure.value).toBeCloseTo(31 / 23, 9);
    expect(priceFigure(starter('calcitic-lime'))).toMatchObject({ substance: 'CaCO3' });
    expect(priceFigure(starter('calcitic-lime'))?.figure.value).toBeCloseTo(6.5 / 35.2, 9);
    expect(priceFigure(starter('acidifier-30'))?.figure.value).toBeCloseTo(21 / 5, 9);
    expect(priceFigure(starter('gypsum'))).toBeUndefined();
    expect(priceFigure({ ...starter('urea-46'), package: { lb: 50 } })).toBeUndefined();
    // a jug by its density
    expect(priceFigure(starter('liquid-slow-25'))?.figure.value).toBeCloseTo(46 / (26.5 * 0.25), 9);
  });
  it('filters by subject and by what else it must be', () => {
    const count = (subject: Parameters<typeof isAbout>[1]) => STARTER_SHELF.filter((p) => isAbout(p, subject)).length;
    expect([count('everything'), count('lime'), count('sulfur'), count('liquid')]).toEqual([
      STARTER_SHELF.length,
      3,
      2,
      4,
    ]);
    expect(isOnly(starter('coated-urea-42'), 'half slow')).toBe(true);
    expect(isOnly(starter('urea-46'), 'half slow')).toBe(false);
    expect(isOnly(starter('map-11-52'), 'no P2O5')).toBe(false);
    expect(isOnly({ ...starter('urea-46'), onHandLb: 3 }, 'on hand')).toBe(true);
  });
  it('says of a bag what it is, what it costs a pound and what is left of it', () => {
    const open = vi.fn();
    render(<ProductRow product={{ ...starter('coated-urea-42'), onHandLb: 62 }} current={false} onOpen={open} />);
    const row = screen.getByRole('listitem');
    expect(row.textContent).toContain('$2.48');
    expect(row.textContent).toContain('1 full, 12.0 open');
    fireEvent.click(within(row).getByRole('button', { name: 'Coated urea' }));
    expect(open).toHaveBeenCalledOnce();
  });
  it('tells free sulfur from combined in words', () => {
    render(<ProductRow product={starter('acidifier-30')} current={false} onOpen={() => {}} />);
    expect(screen.getByRole('listitem').textContent).toMatch(/20 free.*10 combined/);
    expect(screen.getByRole('listitem').textContent).toContain('$4.20 a lb free S');
  });
});

describe('the three numbers', () => {
  function Entry() {
    const [text, setText] = useState('');
    const [grade, setGrade] = useState<Grade>();
    return (
      <GradeEntry
        typed={text}
        grade={grade}
        onType={(next) => {
          setText(next);
          setGrade(undefined);
        }}
        onConfirm={setGrade}
      />
    );
  }
  it('echo what was read, and wait for a yes', () => {
    render(<Entry />);
    const field = screen.getByLabelText('The three numbers on the bag, dashes or not');
    fireEvent.change(field, { target: { value: '32010' } });
    expect(screen.queryAllByRole('img', { name: /32010 read as 32 percent N/ })).toHaveLength(1);
    expect(screen.queryAllByText('unconfirmed')).toHaveLength(1);
    fireEvent.click(screen.getByRole('button', { name: 'No, 3-20-10' }));
    expect(screen.queryAllByRole('img', { name: /read as 3 percent N, 20 percent P2O5/ })).toHaveLength(1);
    expect(screen.queryByText('unconfirmed')).toBeNull();
    fireEvent.change(field, { target: { value: '99-9-9' } });
    expect(screen.getByRole('alert').textContent).toContain('117 %');
    expect(screen.queryByRole('img')).toBeNull();
  });
});

describe('drawings of a bag', () => {
  it('the strip is as long as the grade, slow first, what is missing dashed', () => {
    const short: Product = {
      id: 's',
      name: 's',
      guaranteed: { N: 32 },
      nitrogen: { urea: 16, 'polymer-coated-urea': 14 },
    };
    const parts = nitrogenParts(short);
    expect(parts.map((part) => [part.word, Number(part.percent.toFixed(2))])).toEqual([
      ['coated', 14],
      ['urea', 16],
      ['undeclared', 2],
    ]);
    render(<NitrogenStrip parts={parts} width={321} of={32} />);
    const widths = [...screen.getByRole('img').querySelectorAll(':scope > rect')].map((rect) =>
      Number(rect.getAttribute('width')),
    );
    expect(widths.reduce((a, b) => a + b, 0)).toBeCloseTo(320, 6);
    expect(widths[0]).toBeCloseTo(140, 6);
  });
  it('the ruler says slow, fast and missing in lb N, and stays away without a coverage', () => {
    const short: Product = {
      id: 's',
      name: 's',
      guaranteed: { N: 32 },
      nitrogen: { urea: 16, 'polymer-coated-urea': 14 },
      package: { lb: 50 },
      coverageSqFt: 12_500,
    };
    const { container, rerender } = render(<CoverageRuler product={short} />);
    expect(container.textContent).toContain('slow 0.56');
    expect(container.textContent).toContain('fast 0.64');
    expect(container.textContent).toContain('missing 0.08');
    rerender(<CoverageRuler product={{ ...short, coverageSqFt: undefined }} />);
    expect(container.textContent).toBe('');
  });
  it('shows bags to their level, the face of a bag without a grade, and the true count of granules', () => {
    const { container } = render(<BagsOnHand lb={62} packageLb={50} />);
    expect(container.querySelectorAll('svg')).toHaveLength(2);
    expect(Number(container.querySelectorAll('svg rect')[1]?.getAttribute('height'))).toBeCloseTo(9.5 * 0.24, 6);
    render(<BagFace product={starter('calcitic-lime')} />);
    expect(screen.queryAllByRole('img', { name: 'CCE 95' })).toHaveLength(1);
    expect(render(<GranuleSquare perSqIn={6.1} />).container.querySelectorAll('circle')).toHaveLength(24);
    expect(render(<GranuleSquare perSqIn={0} />).container.querySelectorAll('circle')).toHaveLength(0);
  });
});
