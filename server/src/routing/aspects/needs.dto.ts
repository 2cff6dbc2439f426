import { PREREQUISITE_KINDS, type Prerequisite } from '@ample-crane/core';
import { InList, InOneOf, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class PrerequisiteNeedDto implements Prerequisite {
  @InOneOf(PREREQUISITE_KINDS) kind: Prerequisite['kind'];
  @InText(NAME) what: string;
}

export class NeedsAspectDto {
  @InList(() => PrerequisiteNeedDto, { max: 10, optional: true }) needs?: PrerequisiteNeedDto[];
}
