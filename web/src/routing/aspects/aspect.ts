import type { Operation } from '@ample-crane/core';
import type { ComponentType } from 'react';

/** How an aspect of a step is changed on the route desk. */
export interface AspectEditor {
  /** the heading it stands under; none for what stands with the step's station */
  part: string | null;
  /** the steps it is offered for; all, when left out */
  offered?: (step: Operation) => boolean;
  Editor: ComponentType;
}

export const atWork = (step: Operation): boolean => step.kind === 'work';
