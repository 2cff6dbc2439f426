import type { Machine } from '@ample-crane/core';
import type { FactoryNow } from '../factory/factory.service.ts';

/** What was left on a machine, and by whom. */
export const leftInWords = ({ modelId, what, revision, fixture, personId }: Machine, factory: FactoryNow): string =>
  `${factory.modelName(modelId)} “${what}”, revision ${revision}${fixture === '' ? '' : `, fixture ${fixture}`} (${factory.personName(personId)})`;
