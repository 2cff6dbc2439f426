import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, MINUTES, NAME } from '../bounds.ts';

export class WindowRuleDto {
  @Kind('window') kind: 'window';
  @InNumber(MINUTES) minimumMinutes: number;
  @InNumber(MINUTES) maximumMinutes: number;
  @InText(NAME) afterwards: string;
}
