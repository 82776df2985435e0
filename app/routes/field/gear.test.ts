import { describe, expect, it } from 'vitest';
import { gearOf, USUAL_GEAR } from '@core/field/walk';
import { gearFrom } from './gear';

describe('what one walks with', () => {
  it('is as it was kept, and as usual where the note cannot be read', () => {
    const kept = {
      swathFt: 5,
      hopperLb: 20,
      school: 'one-direction',
      speedMph: 2.5,
      headerLaps: 2,
      tankGal: 4,
      sun: true,
    };
    expect(gearFrom(JSON.stringify({ ...kept, spreaderId: 'small' }))).toEqual({ ...kept, spreaderId: 'small' });
    for (const note of [undefined, 'x', '{"swathFt":"wide"', 'null'])
      expect(gearFrom(note)).toMatchObject({ swathFt: USUAL_GEAR.swathFt, school: USUAL_GEAR.school });
  });
  it('leaves out what no lawn is walked with', () => {
    const read = gearFrom(
      JSON.stringify({ swathFt: -2, hopperLb: 0, school: 'zigzag', speedMph: 90, tankGal: 1e9, sun: 'yes' }),
    );
    expect(read).toEqual(USUAL_GEAR);
  });
  it('takes of a spreader what the kit knows of it, and nothing it does not', () => {
    expect({ ...USUAL_GEAR, ...gearOf({ swathFt: 9, hopperLb: undefined }) }).toEqual({ ...USUAL_GEAR, swathFt: 9 });
    expect(gearOf({ swathFt: undefined, hopperLb: undefined })).toEqual({});
  });
});
