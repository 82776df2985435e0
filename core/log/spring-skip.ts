import { defineReckoning } from '../reckoning/define';
import { choice, quantity } from '../reckoning/inputs';

/** Fall nitrogen from which spring may begin without, and the shares of the fall's need that let it. Common practice. */
const LEAST_FALL_LB = 1;
const SKIP_FROM_SHARE = 0.75;
const LIGHT_FROM_SHARE = 0.5;

/** Whether cool-season turf that was fed in fall needs its first spring dose. 1.2 of 1.5 lb N: 0.8, skip. */
export const springSkip = defineReckoning({
  id: 'log.spring-skip',
  title: 'The first spring dose after a fed fall',
  about: 'Turf that was fed well from mid August to the end of December greens up on what it stored.',
  inputs: {
    fallNitrogenLb: quantity('lb N/1000 ft2')('N given from 15 August on', { min: 0, max: 30 }),
    fallWantedLb: quantity('lb N/1000 ft2')('N the fall was to have', { min: 0, max: 30 }),
    season: choice('season of the grass', ['cool', 'warm'] as const),
  },
  unit: 'share: of the fall’s need; standing: word',
  formula: ['share = given ÷ wanted', 'skip from 0.75 and 1 lb N on, light from 0.5 on; warm-season grass is fed'],
  sources: [{ cite: 'Fall-fed turf needs little before late spring', standing: 'common practice' }],
  limits: ['Of one year’s fall; a line that can be switched off.'],
  example: {
    inputs: { fallNitrogenLb: 1.2, fallWantedLb: 1.5, season: 'cool' },
    value: { share: 0.8, standing: 'skip' },
  },
  reckon({ fallNitrogenLb, fallWantedLb, season }, work) {
    const share = fallWantedLb === 0 ? 0 : fallNitrogenLb / fallWantedLb;
    work.note('share', 'given ÷ wanted', share);
    const standing =
      season === 'warm' || fallWantedLb === 0
        ? 'feed'
        : share >= SKIP_FROM_SHARE - 1e-9 && fallNitrogenLb >= LEAST_FALL_LB - 1e-9
          ? 'skip'
          : share >= LIGHT_FROM_SHARE - 1e-9
            ? 'light'
            : 'feed';
    return { share, standing };
  },
});
