import { InTexts } from '../../platform/http/fields.ts';

export class CautionsAspectDto {
  @InTexts({ max: 40, optional: true }) cautions?: string[];
}
