import { STAGE_NAMES, type Stage } from '@ample-crane/core';
import { STAGE_PATHS } from '../ground/keys.ts';
import { StageTabs } from '../parts/StageTabs.tsx';

/** The screens of a stage that presses. */
export const ClampTabs = ({ stage }: { stage: Exclude<Stage, 'woodRoom'> }) => (
  <StageTabs
    label={STAGE_NAMES[stage]}
    tabs={[
      [STAGE_PATHS[stage], 'Today'],
      [`${STAGE_PATHS[stage]}/clamps`, 'Clamps'],
    ]}
  />
);
