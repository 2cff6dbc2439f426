import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, NAME } from '../bounds.ts';

export class GradientRuleDto {
  @Kind('gradient') kind: 'gradient';
  @InNumber({ min: 0, max: 100 }) limit: number;
  @InText({ ...NAME, optional: true }) shell?: string;
  @InText({ ...NAME, optional: true }) core?: string;
}
