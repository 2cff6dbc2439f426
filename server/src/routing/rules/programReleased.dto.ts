import { InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class ProgramReleasedRuleDto {
  @Kind('programReleased') kind: 'programReleased';
  @InText(NAME) what: string;
}
