import { InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class SignOffRuleDto {
  @Kind('signOff') kind: 'signOff';
  @InText(NAME) skill: string;
}
