/** When the tests' shop opens: a Monday morning. */
export const START_MS = Date.UTC(2026, 2, 2, 8);
