/** Raised when an old logbook makes other rows than before: a factory's tables, and what devices keep of them, are told anew. */
export const ROWS_VERSION = 7;
