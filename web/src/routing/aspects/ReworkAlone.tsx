import type { AspectEditor } from './aspect.ts';
import { Flag } from './Flag.tsx';

export const reworkAlone: AspectEditor = {
  part: 'Hand-over and state',
  Editor: () => <Flag of="reworkAlone" words="A piece that must be done again goes back alone; the rest does not wait for it" />,
};
