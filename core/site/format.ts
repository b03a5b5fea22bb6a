/** The format of the site file, and its version: a program reads the versions it knows and refuses the rest. */
export const FORMAT = 'dimorphe-site';
export const FORMAT_VERSION = 3;
