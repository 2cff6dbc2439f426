/** What the server says has changed: kinds of row and other subjects, with the ids concerned; null where it may be any. */
export type Topics = Readonly<Record<string, readonly string[] | null>>;

/** One thing that was done, by a name of its own: told to whoever did it, and to every page. */
export interface Change {
  id?: string;
  topics: Topics;
}

/** What a batch's own row shows on. */
const OF_BATCHES = [
  'batches',
  'floor',
  'fitting',
  'orders',
  'morning',
  'walk',
  'flow',
  'classes',
  'carriers',
  'stations',
  'programs',
  'machines',
  'loads',
  'rigs',
];

/** What each subject shows on, by the first word of a query's key. */
const SHOWS_ON: Readonly<Record<string, readonly string[]>> = {
  lot: ['lots', 'morning', 'walk', 'setup', 'stock', 'air', 'cutting'],
  board: ['lots', 'cutting', 'stock'],
  blank: ['lots', 'cutting', 'stock'],
  order: ['orders', 'morning', 'cutting', 'stock', 'programs'],
  batch: OF_BATCHES,
  // What was made of a lot stands on its page.
  piece: ['lots', 'fitting', 'cutting', 'stock', 'rigs'],
  'rig count': ['rigs'],
  placement: ['carriers'],
  // A record tells all that happened to its parts.
  visit: ['instruments'],
  'kit stock': ['kits', 'batches', 'stations'],
  coat: ['batches', 'stations', 'instruments'],
  measure: ['batches', 'fitting', 'stations', 'instruments'],
  dimension: ['dimensions', 'morning', 'batches'],
  program: ['programs', 'cutters', 'morning', 'walk', 'batches', 'stations', 'loads'],
  'run times': ['programs', 'loads'],
  'step times': ['policies'],
  'load order': ['loads'],
  machine: ['machines', 'batches', 'stations', 'loads'],
  cutter: ['cutters', 'machines', 'batches', 'stations', 'morning', 'loads'],
  'cutter use': ['cutters', 'machines', 'batches', 'stations'],
  device: ['devices', 'machines'],
  'device value': ['device values'],
  controller: ['machines', 'batches'],
  'device back': ['morning', 'walk'],
  'instrument study': ['instrument studies'],
  defect: ['instruments'],
  instrument: ['instruments'],
};

/** Queries about one thing: the subject, and where its id stands in the key. */
const ABOUT_ONE: readonly { begins: readonly string[]; subject: string }[] = [
  { begins: ['batches', 'card'], subject: 'batch' },
  { begins: ['batches', 'held'], subject: 'batch' },
  { begins: ['lots', 'card'], subject: 'lot' },
  { begins: ['device values'], subject: 'device value' },
];

/** Whether an answer is old once such a change was told. */
export function isOld(queryKey: readonly unknown[], topics: Topics): boolean {
  // The set-up is behind everything.
  if ('all' in topics || 'factory' in topics) return true;
  const one = ABOUT_ONE.find(({ begins }) => begins.every((word, i) => queryKey[i] === word));
  return Object.entries(topics).some(([subject, ids]) => {
    if (!SHOWS_ON[subject]?.includes(String(queryKey[0]))) return false;
    // Another thing of the same kind has changed, not the one that is shown.
    return one?.subject !== subject || ids === null || ids.includes(String(queryKey[one.begins.length]));
  });
}
