import { InList, InNumber, InText } from '../platform/http/fields.ts';
import { WhenDto } from '../platform/http/version.dto.ts';

export class MeasureDto {
  @InText() pieceId: string;
  @InText() characteristicId: string;
  @InNumber({ min: -10_000, max: 10_000 }) value: number;
}

export class MeasuresDto extends WhenDto {
  @InList(() => MeasureDto, { max: 400 }) measures: MeasureDto[];
}
