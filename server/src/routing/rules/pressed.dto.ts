import { InNumber, InText } from '../../platform/http/fields.ts';
import { Kind, MINUTES, NAME } from '../bounds.ts';

export class PressedRuleDto {
  @Kind('pressed') kind: 'pressed';
  @InText(NAME) what: string;
  @InText({ max: 40, optional: true }) adhesiveId?: string;
  /** what is glued, where the glue takes another time for it */
  @InText({ max: 60, optional: true }) material?: string;
  /** which face is glued, where others of the piece are glued too */
  @InText({ max: 60, optional: true }) face?: string;
  /** where no glue decides */
  @InNumber({ ...MINUTES, optional: true }) minutes?: number;
}
