import type { AspectEditor } from './aspect.ts';
import { Flag } from './Flag.tsx';

export const noWait: AspectEditor = {
  part: 'Hand-over and state',
  Editor: () => <Flag of="noWait" words="Goes straight into the next place: not begun unless one is free" />,
};
