import { CAUTION_KINDS, type CautionKind } from '@ample-crane/core';
import { InEach } from '../../platform/http/fields.ts';

export class CautionsAspectDto {
  @InEach(CAUTION_KINDS) cautions?: CautionKind[];
}
