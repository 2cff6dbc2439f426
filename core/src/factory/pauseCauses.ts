/** What work that is begun waits for. */
export interface PauseCause {
  /** as the logbook names it; it stays */
  key: string;
  /** as one says it */
  text: string;
}

/** The causes that a factory begins with and edits. */
export const PAUSE_CAUSES: readonly PauseCause[] = [
  { key: 'material', text: 'waiting for material' },
  { key: 'person', text: 'waiting for a person' },
  { key: 'machine', text: 'waiting for a machine' },
  { key: 'instruction', text: 'waiting for an instruction' },
  { key: 'break', text: 'break' },
  { key: 'shift end', text: 'end of the shift' },
];
