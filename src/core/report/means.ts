import { NAMES } from '../motion/names';

const SAE = 'SAE J670, ISO 8855';
const OWN = 'Havrik’s own definition';

/**
 * What a figure of a wheel means and by whose definition, by its name in `figuresOf`. Signs are those of the standards
 * named where they have one; toe is + in, as shops say it.
 */
export const FIGURE_MEANS: Readonly<Record<string, string>> = {
  [`${NAMES.toeRange} over the travel`]: `largest less smallest toe over the stated travel, steering held (${OWN})`,
  [`${NAMES.bumpSteer}, most toe change`]: `most that toe goes from ride height, either way, over the stated travel, steering held (${OWN}; bands of the brief)`,
  'camber gain, toe held straight': `camber for 25 mm of bump at ride height, the wheel kept straight (common practice)`,
  'camber gain, bump steer included': `the same, as the rod lets the wheel steer (common practice)`,
  'camber at full bump': `+ top out (${SAE})`,
  'camber at full droop': `+ top out (${SAE})`,
  camber: `wheel plane against the vertical, + top out (${SAE})`,
  caster: `steering axis seen from the side, + top rearward (${SAE})`,
  'kingpin inclination': `steering axis seen from the front, + top inward (${SAE})`,
  'scrub radius': `contact to where the steering axis meets the ground, across, + axis inboard (${SAE})`,
  trail: `the same along, + axis ahead of the contact (${SAE})`,
  'roll centre above the ground, as strings show it': `from instant centres with the wheel kept straight (SAE J670; common practice)`,
  'roll centre above the ground, bump steer included': `from how the contact really moves (SAE J670)`,
  'roll centre above the ground': `from how the axle rolls on its springs (SAE J670)`,
  'track change at full bump, each side': `contact outward (${OWN})`,
  'tie rod, joint to joint': 'between the middles of its joints',
  'toe link, joint to joint': 'between the middles of its joints',
  'drag link, joint to joint': 'between the middles of its joints',
  'half-shaft plunge': 'longest less shortest over the travel',
};
