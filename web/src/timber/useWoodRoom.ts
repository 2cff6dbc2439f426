import { useWalk } from '../ground/queries.ts';

/** The zone that is the wood room here; undefined until it is known. */
export const useWoodRoom = (): string | undefined => useWalk().data?.find((stage) => stage.stage === 'woodRoom')?.zoneId;
