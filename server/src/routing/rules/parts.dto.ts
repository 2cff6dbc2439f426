import { Kind } from '../bounds.ts';

export class PartsRuleDto {
  @Kind('parts') kind: 'parts';
}
