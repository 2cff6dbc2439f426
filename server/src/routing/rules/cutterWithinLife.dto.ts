import { InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class CutterWithinLifeRuleDto {
  @Kind('cutterWithinLife') kind: 'cutterWithinLife';
  @InText(NAME) cutter: string;
  @InText(NAME) stationCode: string;
}
