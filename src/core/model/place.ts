import type { z } from 'zod';
import type { Vec } from '../geometry/vec';
import { freedomSchema } from './freedoms';
import { coordinate, group } from './wording';

/** A place that belongs to neither side, mm: ahead of the front axle's line, left of the centreline, above the ground. */
export const placeSchema = group({ ahead: coordinate, left: coordinate, up: coordinate });
export type CarPlace = z.infer<typeof placeSchema>;

export const PLACE_WAYS = ['ahead', 'left', 'up'] as const;
export type PlaceWay = (typeof PLACE_WAYS)[number];

/** What can still be changed of a place; what is not named is open: it may be drawn anywhere, but finders leave it alone. */
export const placeFreedomsSchema = group({
  ahead: freedomSchema.optional(),
  left: freedomSchema.optional(),
  up: freedomSchema.optional(),
});
export type PlaceFreedoms = z.infer<typeof placeFreedomsSchema>;

/** A place as [ahead, left, up], mm, and back. */
export const placeVec = ({ ahead, left, up }: CarPlace): Vec => [ahead, left, up];
export const carPlace = ([ahead, left, up]: Vec): CarPlace => ({ ahead, left, up });
