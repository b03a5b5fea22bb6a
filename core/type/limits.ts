/** px; text is not made smaller than that (common practice for what is to be read). */
export const SMALLEST_READ = 12;

/** px; what is read at length is not made smaller than that in narrow views (common practice). */
export const SMALLEST_BODY = 16;
