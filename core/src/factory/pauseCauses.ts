import type { Noted } from './noted.ts';

/** What work that is begun waits for, as a factory begins and edits it. */
export const PAUSE_CAUSES: readonly Noted[] = [
  { key: 'material', text: 'waiting for material' },
  { key: 'person', text: 'waiting for a person' },
  { key: 'machine', text: 'waiting for a machine' },
  { key: 'instruction', text: 'waiting for an instruction' },
  { key: 'break', text: 'break' },
  { key: 'shift end', text: 'end of the shift' },
];
