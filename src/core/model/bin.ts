/** How long what was deleted can be put back, days. */
export const DAYS_IN_BIN = 30;
