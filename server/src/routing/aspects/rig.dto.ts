import { CARRIER_KINDS, type CarrierKind } from '@ample-crane/core';
import { InFlag, InOneOf, InPart } from '../../platform/http/fields.ts';

export class RigNeedDto {
  @InOneOf(CARRIER_KINDS) kind: CarrierKind;
  @InFlag({ optional: true }) outline?: boolean;
}

export class RigAspectDto {
  @InPart(() => RigNeedDto, { optional: true }) rig?: RigNeedDto;
}
