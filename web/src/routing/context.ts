import { createContext, use } from 'react';
import { COMPONENTS, type Operation, type Route } from '@ample-crane/core';
import type { View } from '../ground/api.ts';

/** What the editors of a step work on: the route, the factory it is run in, and the way to change it. */
interface Desk {
  route: Route;
  step: Operation;
  setup: View<'SetupView'>;
  readOnly: boolean;
  change: (change: { [K in keyof Operation]?: Operation[K] | undefined }) => void;
}

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
  const desk = use(DeskContext);
  if (!desk) throw new Error('No route is being edited here');
  return desk;
}

/** The streams that are started apart. */
export const COMPONENT_CHOICES = COMPONENTS.filter((c) => c !== 'instrument').map((c) => [c, c] as const);
