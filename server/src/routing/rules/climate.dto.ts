import { InNumber, InPart } from '../../platform/http/fields.ts';
import { Kind } from '../bounds.ts';

export class SprayLimitsDto {
  @InNumber({ min: -10, max: 50 }) minTempC: number;
  @InNumber({ min: -10, max: 50 }) maxTempC: number;
  @InNumber({ min: 0, max: 1 }) minHumidity: number;
  @InNumber({ min: 0, max: 1 }) maxHumidity: number;
  @InNumber({ min: 0, max: 20 }) dewMarginC: number;
}

export class ClimateRuleDto {
  @Kind('climate') kind: 'climate';
  @InPart(() => SprayLimitsDto) limits: SprayLimitsDto;
}
