import type { AspectEditor } from './aspect.ts';
import { Flag } from './Flag.tsx';

export const handOver: AspectEditor = {
  part: 'Hand-over and state',
  Editor: () => <Flag of="handOver" words="Whoever takes it over says so, or refuses, before beginning" />,
};
