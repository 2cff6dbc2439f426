import type { Noted } from './noted.ts';

/**
 * What is looked at before a machine is started, as a factory begins and edits it. The machine's own papers and the
 * people licensed to judge it come first.
 */
export const START_CHECKS: readonly Noted[] = [
  { key: 'cutters', text: 'The cutters that the program names are on, and tight' },
  { key: 'zero', text: 'Zero is set on this fixture' },
  { key: 'held', text: 'Vacuum or clamps are proven with the part on' },
  { key: 'guard', text: 'Guard is closed, extraction runs, nobody is inside the marked area' },
];
