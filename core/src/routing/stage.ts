/** The rooms of the building, in walking order. */
export const STAGES = [
  'woodRoom',
  'roughMill',
  'machining',
  'necks',
  'bodies',
  'fitting',
  'finishing',
  'assembly',
  'finalRest',
  'dispatch',
] as const;
export type Stage = (typeof STAGES)[number];

export const STAGE_NAMES: Readonly<Record<Stage, string>> = {
  woodRoom: 'Wood room',
  roughMill: 'Rough mill',
  machining: 'Machining',
  necks: 'Necks',
  bodies: 'Bodies',
  fitting: 'Fitting',
  finishing: 'Finishing',
  assembly: 'Assembly',
  finalRest: 'Final rest',
  dispatch: 'Dispatch',
};

export const COMPONENTS = ['body', 'neck', 'fingerboard', 'top', 'back', 'sides', 'small part', 'instrument'] as const;
/** The streams of a route: what is made apart, joined to another, and met at fitting. */
export type Component = (typeof COMPONENTS)[number];

const PLURALS: Readonly<Record<Component, string>> = {
  body: 'bodies',
  neck: 'necks',
  fingerboard: 'fingerboards',
  top: 'tops',
  back: 'backs',
  sides: 'pairs of sides',
  'small part': 'small parts',
  instrument: 'instruments',
};

/** "bodies", "fingerboards" */
export const plural = (component: Component): string => PLURALS[component];

/** "bodies" for six, "neck" for one */
export const pieceWord = (count: number, component: Component): string => (count === 1 ? component : PLURALS[component]);

/** "6 bodies", "1 neck" */
export const pieces = (count: number, component: Component): string => `${count} ${pieceWord(count, component)}`;
