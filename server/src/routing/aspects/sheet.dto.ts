import { InList, InPart, InText, InTexts } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';
import { JobSettingDto } from './settings.dto.ts';

const LINES = { max: 40, length: 500, optional: true } as const;

export class SheetPictureInDto {
  @InText(NAME) id: string;
  @InText({ max: 200 }) caption: string;
}

export class SheetTickDto {
  @InText(NAME) key: string;
  @InText({ max: 200 }) text: string;
}

export class StepSheetDto {
  @InTexts(LINES) instructions?: string[];
  @InList(() => SheetPictureInDto, { max: 12, optional: true }) pictures?: SheetPictureInDto[];
  /** what must be ticked before the step is finished */
  @InList(() => SheetTickDto, { max: 20, optional: true }) ticks?: SheetTickDto[];
  /** what is noted when it is finished */
  @InList(() => JobSettingDto, { max: 20, optional: true }) notes?: JobSettingDto[];
  @InTexts(LINES) lookFor?: string[];
  @InTexts(LINES) looksBadNow?: string[];
  @InTexts(LINES) endsPiece?: string[];
}

export class SheetAspectDto {
  @InPart(() => StepSheetDto, { optional: true }) sheet?: StepSheetDto;
}
