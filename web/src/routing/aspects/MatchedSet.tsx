import type { AspectEditor } from './aspect.ts';
import { Flag } from './Flag.tsx';

export const matchedSet: AspectEditor = {
  part: 'Hand-over and state',
  offered: (step) => step.kind === 'join',
  Editor: () => <Flag of="matchedSet" words="Joins only what was cut from the same block" />,
};
