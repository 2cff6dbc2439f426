import { InList, InNumber, InPart, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class SettingFigureDto {
  @InText({ min: 0, max: 20 }) unit: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
}

export class JobSettingDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InPart(() => SettingFigureDto, { optional: true }) figure?: SettingFigureDto;
}

export class SettingsAspectDto {
  @InList(() => JobSettingDto, { max: 20, optional: true }) settings?: JobSettingDto[];
}
