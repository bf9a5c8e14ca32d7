/** Which build of the program this is; a page of another one is to be loaded again. Set by the build. */
export const BUILT = process.env.HAVRIK_BUILT ?? 'not built';

/** The header in which the server says so. */
export const BUILT_HEADER = 'x-havrik-built';
