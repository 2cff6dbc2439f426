import { InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class GlueSetRuleDto {
  @Kind('glueSet') kind: 'glueSet';
  @InText(NAME) what: string;
  @InText({ max: 40 }) adhesiveId: string;
}
