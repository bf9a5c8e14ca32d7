import { briefOf } from '../model/brief';
import type { Build } from '../model/build';
import { trackOf } from '../upright/place';
import type { Stance } from './jacking';

/** What of a stance nobody has said: what stands in for it. */
export type Assumed = 'rearTrack' | 'frontShare' | 'massHeight';

/** Of a kart with its driver in it: common practice, from memory. */
const FRONT_SHARE = 43;
const MASS_HEIGHT = 250;

/** What a build's frame stands on while it is steered, and what of that is assumed: a rear track as wide as the front's. */
export function stanceOf(build: Build): { stance: Stance; assumed: Assumed[] } {
  const { rearTrack, frontShare, sideways = 0 } = build.asked?.stance ?? {};
  const { massHeight } = briefOf(build).limits;
  const said = {
    rearTrack: rearTrack ?? (build.rear && trackOf(build.rear)),
    frontShare,
    massHeight,
  };
  return {
    stance: {
      wheelbase: build.wheelbase,
      rearTrack: said.rearTrack ?? trackOf(build.front),
      frontShare: frontShare ?? FRONT_SHARE,
      massHeight: massHeight ?? MASS_HEIGHT,
      sideways,
    },
    assumed: (['rearTrack', 'frontShare', 'massHeight'] as const).filter(
      (name) => said[name] === undefined,
    ),
  };
}
