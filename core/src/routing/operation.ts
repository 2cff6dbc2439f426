import type { Aspects } from './aspects/index.ts';
import type { RouteOf } from './graph.ts';
import type { Step } from './step.ts';

/** A step of a route, with all that it says of itself. */
export interface Operation extends Step, Aspects {}

/** A versioned, directed acyclic graph of operations whose branches merge, part and merge again. */
export type Route = RouteOf<Operation>;
