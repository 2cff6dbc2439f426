export const PAUSE_CAUSES = ['material', 'person', 'machine', 'instruction', 'break', 'shift end'] as const;
/** What work that is begun waits for. */
export type PauseCause = (typeof PAUSE_CAUSES)[number];

/** Each cause as one says it. */
export const PAUSE_WORDS: Readonly<Record<PauseCause, string>> = {
  material: 'waiting for material',
  person: 'waiting for a person',
  machine: 'waiting for a machine',
  instruction: 'waiting for an instruction',
  break: 'break',
  'shift end': 'end of the shift',
};
