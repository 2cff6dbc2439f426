import { ClimateRuleDto } from './climate.dto.ts';
import { CutterWithinLifeRuleDto } from './cutterWithinLife.dto.ts';
import { ElapsedRuleDto } from './elapsed.dto.ts';
import { EquivalentRuleDto } from './equivalent.dto.ts';
import { GlueSetRuleDto } from './glueSet.dto.ts';
import { GradientRuleDto } from './gradient.dto.ts';
import { InBandRuleDto } from './inBand.dto.ts';
import { InControlRuleDto } from './inControl.dto.ts';
import { PartsRuleDto } from './parts.dto.ts';
import { PressedRuleDto } from './pressed.dto.ts';
import { ProgramReleasedRuleDto } from './programReleased.dto.ts';
import { SignOffRuleDto } from './signOff.dto.ts';
import { SpreadRuleDto } from './spread.dto.ts';
import { StableRuleDto } from './stable.dto.ts';
import { WindowRuleDto } from './window.dto.ts';

/** Each kind of rule as it comes in. */
export const RULES = () => ({
  elapsed: ElapsedRuleDto,
  equivalent: EquivalentRuleDto,
  pressed: PressedRuleDto,
  glueSet: GlueSetRuleDto,
  inBand: InBandRuleDto,
  inControl: InControlRuleDto,
  spread: SpreadRuleDto,
  gradient: GradientRuleDto,
  stable: StableRuleDto,
  window: WindowRuleDto,
  climate: ClimateRuleDto,
  signOff: SignOffRuleDto,
  parts: PartsRuleDto,
  programReleased: ProgramReleasedRuleDto,
  cutterWithinLife: CutterWithinLifeRuleDto,
});
export type RuleDto = InstanceType<ReturnType<typeof RULES>[keyof ReturnType<typeof RULES>]>;
