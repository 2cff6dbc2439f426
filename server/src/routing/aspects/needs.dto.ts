import { PREREQUISITE_KINDS, type Prerequisite } from '@ample-crane/core';
import { InFlag, InList, InOneOf, InText } from '../../platform/http/fields.ts';
import { NAME } from '../bounds.ts';

export class PrerequisiteNeedDto implements Prerequisite {
  @InOneOf(PREREQUISITE_KINDS) kind: Prerequisite['kind'];
  @InText(NAME) what: string;
  /** of a program: its start checklist is ticked at the machine */
  @InFlag({ optional: true }) checked?: boolean;
}

export class NeedsAspectDto {
  @InList(() => PrerequisiteNeedDto, { max: 10, optional: true }) needs?: PrerequisiteNeedDto[];
}
