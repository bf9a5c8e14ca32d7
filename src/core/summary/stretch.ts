/** How many builds of a list are asked for at a time. */
export const STRETCH = 24;
