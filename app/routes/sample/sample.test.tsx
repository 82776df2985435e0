import { render, screen } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Sample, Zone } from '@core/records/case';
import { groundOf } from '@core/ground/zone-ground';
import { isRefusal } from '@core/reckoning/refusal';
import { BagLabel } from './bag-label';
import { BarCode, barModules } from './bar-code';
import { CorePlan } from './core-plan';
import { stepsOf } from './sample-chain';

const zone: Zone = {
  id: 'z',
  name: 'South lawn',
  areaSqFt: 5000,
  grass: 'tall-fescue',
  texture: 'silt-loam',
  rectangle: { lengthFt: 100, widthFt: 50 },
  atFt: [10, 10],
};
const sample: Sample = { id: 's', zoneId: 'z', code: 'QLS-27-01' };

describe('the bar code', () => {
  // patterns of ISO/IEC 15417, values from memory: start B, A is 33, the check (104 + 33) mod 103 = 34 is B, stop
  it('is Code 128, set B, with its check character', () => {
    expect(barModules('A')).toBe(['11010010000', '10100011000', '10001011000', '1100011101011'].join(''));
  });
  it('has eleven modules a character, thirteen to stop, and ten of white on either side', () => {
    expect(barModules(sample.code)).toHaveLength(11 * (1 + sample.code.length + 1) + 13);
    render(<BarCode text={sample.code} />);
    const drawn = screen.getByRole('img', { name: 'Bar code of QLS-27-01' });
    expect(drawn.getAttribute('width')).toBe(String(barModules(sample.code).length + 20));
    expect(drawn.querySelector('rect')?.getAttribute('x')).toBe('10');
  });
});

describe('a bag label', () => {
  it('says all a laboratory needs', () => {
    render(
      <BagLabel
        propertyName="Quarry Lane School"
        zone={zone}
        sample={sample}
        cores={13}
        depthIn={4}
        day="2027-04-05"
      />,
    );
    const label = screen.getByLabelText('Label of QLS-27-01');
    for (const words of [
      'Quarry Lane School',
      'South lawn',
      '13 cores',
      '5 Apr 2027',
      '0 to 4 in, thatch off',
      'silt loam',
    ])
      expect(label.textContent).toContain(words);
  });
});

describe('the core plan', () => {
  it('numbers the cores in the order they are walked', () => {
    const ground = groundOf(zone, undefined);
    if (isRefusal(ground)) throw new Error(ground.refused);
    render(
      <CorePlan
        name="South lawn"
        ground={ground}
        cores={[
          [20, 20],
          [40, 40],
          [60, 20],
        ]}
        pxPerFt={1.6}
        taken={false}
      />,
    );
    const plan = screen.getByRole('img', { name: 'South lawn: 3 cores in a zigzag, planned' });
    expect([...plan.querySelectorAll('text')].map((t) => t.textContent)).toEqual(['1', '2', '3']);
    // one ring at the start, a dot for each core
    expect(plan.querySelectorAll('circle')).toHaveLength(4);
  });
});

describe('the chain of a sample', () => {
  it('waits only as long as no core is taken', () => {
    const wait = { standing: 'wait' as const, from: '2027-05-01' };
    expect(stepsOf(sample, '2027-04-05', wait)[0]?.state).toBe('wait');
    expect(stepsOf({ ...sample, takenOn: '2027-04-05' }, '2027-04-05', wait)[0]?.state).toBe('done');
  });
});
