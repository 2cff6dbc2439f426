import { Together } from '../../platform/http/union.ts';
import { AwayDaysAspectDto } from './awayDays.dto.ts';
import { CautionsAspectDto } from './cautions.dto.ts';
import { CoatAspectDto } from './coat.dto.ts';
import { DrawAspectDto } from './draw.dto.ts';
import { GritAspectDto } from './grit.dto.ts';
import { HandOverAspectDto } from './handOver.dto.ts';
import { MatchedSetAspectDto } from './matchedSet.dto.ts';
import { MeasureAspectDto } from './measure.dto.ts';
import { NeedsAspectDto } from './needs.dto.ts';
import { NoWaitAspectDto } from './noWait.dto.ts';
import { PlaceAspectDto } from './place.dto.ts';
import { RepeatAspectDto } from './repeat.dto.ts';
import { ReworkAloneAspectDto } from './reworkAlone.dto.ts';
import { RigAspectDto } from './rig.dto.ts';
import { SettingsAspectDto } from './settings.dto.ts';
import { SheetAspectDto } from './sheet.dto.ts';
import { WaysAspectDto } from './ways.dto.ts';
import { WhenAspectDto } from './when.dto.ts';
import { WipeAspectDto } from './wipe.dto.ts';

/** All that a step can say of itself beyond its name and place, as it comes in. */
export class AspectsDto extends Together(
  WhenAspectDto,
  RepeatAspectDto,
  NoWaitAspectDto,
  PlaceAspectDto,
  RigAspectDto,
  WipeAspectDto,
  HandOverAspectDto,
  ReworkAloneAspectDto,
  MatchedSetAspectDto,
  WaysAspectDto,
  SettingsAspectDto,
  SheetAspectDto,
  NeedsAspectDto,
  DrawAspectDto,
  MeasureAspectDto,
  CoatAspectDto,
  GritAspectDto,
  CautionsAspectDto,
  AwayDaysAspectDto,
) {}
