import { InCount, InNumber, InPart, InText } from '../../platform/http/fields.ts';
import { MINUTES, NAME } from '../bounds.ts';

export class CoatPlanDto {
  @InText(NAME) materialId: string;
  @InNumber({ min: 0.01, max: 1 }) volumeSolids: number;
  @InCount({ min: 1, max: 30 }) coats: number;
  @InNumber({ min: 1, max: 1000 }) wetUm: number;
  @InNumber(MINUTES) flashMinutes: number;
  @InNumber(MINUTES) recoatMaxMinutes: number;
}

export class CoatAspectDto {
  @InPart(() => CoatPlanDto, { optional: true }) coat?: CoatPlanDto;
}
