import type { Step } from '../step.ts';
import { listed, type AspectKind } from './aspect.ts';

/** One way to do a step: where, by whom, how fast. */
export interface Way {
  id: string;
  name: string;
  stationCode: string;
  skill?: string;
  skillLevel?: number;
  setupMinutes: number;
  minutesPerPiece: number;
  cautions?: readonly string[];
}

/** Other ways to the same end. */
export const ways: AspectKind<'ways', readonly Way[]> = {
  key: 'ways',
  name: 'other ways',
  words: (all) => listed(all?.map((w) => `${w.name}: ${w.minutesPerPiece} min each`)),
  marks: (all) => (all.length > 0 ? [`${all.length + 1} ways`] : []),
};

type WaysStep = Step & { ways?: readonly Way[]; cautions?: readonly string[] };

/** The step's own way and the others, in order. */
export const waysOf = (operation: WaysStep): readonly Way[] => [ownWay(operation), ...(operation.ways ?? [])];

export const OWN_WAY = 'own';

function ownWay(operation: WaysStep): Way {
  const { stationCode, skill, skillLevel, setupMinutes, minutesPerPiece } = operation;
  return {
    id: OWN_WAY,
    name: operation.wayName ?? operation.name,
    stationCode,
    setupMinutes,
    minutesPerPiece,
    ...(skill === undefined ? {} : { skill }),
    ...(skillLevel === undefined ? {} : { skillLevel }),
    ...(operation.cautions === undefined ? {} : { cautions: operation.cautions }),
  };
}
