import type { Characteristic } from '@ample-crane/core';
import type { CharacteristicView } from './setup.dto.ts';

/** A characteristic as people read it. */
export const toCharacteristicView = ({ id, name, unit, low, target, high, instrument, sample }: Characteristic): CharacteristicView => ({
  id,
  name,
  unit,
  low,
  target,
  high,
  instrument: instrument ?? null,
  sample: sample ?? null,
});
