import type { AspectKey } from '@ample-crane/core';
import type { AspectEditor } from './aspect.ts';
import { awayDays } from './AwayDays.tsx';
import { cautions } from './Cautions.tsx';
import { coat } from './Coat.tsx';
import { draw } from './Draw.tsx';
import { grit } from './Grit.tsx';
import { handOver } from './HandOver.tsx';
import { matchedSet } from './MatchedSet.tsx';
import { measure } from './Measure.tsx';
import { needs } from './Needs.tsx';
import { noWait } from './NoWait.tsx';
import { place } from './Place.tsx';
import { repeat } from './Repeat.tsx';
import { reworkAlone } from './ReworkAlone.tsx';
import { rig } from './Rig.tsx';
import { settings } from './Settings.tsx';
import { sheet } from './Sheet.tsx';
import { ways } from './Ways.tsx';
import { when } from './When.tsx';
import { wipe } from './Wipe.tsx';

/** The editor of each aspect, in the order of the desk. */
export const EDITORS: Readonly<Record<AspectKey, AspectEditor>> = {
  awayDays,
  place,
  rig,
  wipe,
  ways,
  settings,
  sheet,
  characteristics: measure,
  coat,
  repeat,
  when,
  needs,
  draws: draw,
  handOver,
  reworkAlone,
  noWait,
  matchedSet,
  grit,
  cautions,
};
