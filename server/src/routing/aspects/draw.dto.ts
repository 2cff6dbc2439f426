import { InCount, InList, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class DrawDto {
  @InText(NAME) modelId: string;
  @InCount({ min: 1, max: 100 }) perPiece: number;
}

export class DrawAspectDto {
  @InList(() => DrawDto, { max: 10, optional: true }) draws?: DrawDto[];
}
