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
