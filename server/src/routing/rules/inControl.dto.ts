import { InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class InControlRuleDto {
  @Kind('inControl') kind: 'inControl';
  @InText(NAME) what: string;
  @InText(NAME) characteristic: string;
}
