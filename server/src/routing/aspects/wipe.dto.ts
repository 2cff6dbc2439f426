import { COMPONENTS, type Component, type Wipe } from '@ample-crane/core';
import { InNumber, InOneOf, InPart, InText, InTexts } from '../../platform/http/fields.ts';

export class WipedWoodDto {
  @InOneOf(COMPONENTS) component: Component;
  @InTexts({ max: 40 }) in: string[];
}

export class WipeDto implements Wipe {
  @InText({ max: 60 }) withWhat: string;
  /** for so long after it the face takes glue */
  @InNumber({ min: 1, max: 1_000 }) minutes: number;
  /** only where a part is of one of these woods */
  @InPart(() => WipedWoodDto, { optional: true }) wood?: WipedWoodDto;
}

export class WipeAspectDto {
  @InPart(() => WipeDto, { optional: true }) wipe?: WipeDto;
}
