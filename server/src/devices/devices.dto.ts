import { DEVICE_KINDS, QUANTITIES, type DeviceKind, type DeviceStanding, type Quantity } from '@ample-crane/core';
import { InCount, InFlag, InOneOf, InText, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';

const ID = { max: 30, pattern: /^[A-Za-z0-9][A-Za-z0-9-]*$/, hint: 'Use letters, digits and dashes' };
const STANDINGS = ['put away', 'never', 'silent', 'off', 'on'] as const satisfies readonly DeviceStanding[];

export class DeviceDto {
  @InText(ID) id: string;
  @InText({ max: 60 }) name: string;
  @InOneOf(DEVICE_KINDS) kind: DeviceKind;
  /** where it is; a meter or a sensor belongs to a zone instead */
  @InText({ max: 30, nullable: true }) stationCode: string | null;
  /** which of the station's machines, of a controller */
  @InCount({ min: 1, max: 500, nullable: true }) bench: number | null;
  @InText({ max: 60, nullable: true }) zoneId: string | null;
}

export class ChangeDeviceDto extends VersionDto {
  @InText({ max: 60 }) name: string;
  @InText({ max: 30, nullable: true }) stationCode: string | null;
  @InCount({ min: 1, max: 500, nullable: true }) bench: number | null;
  @InText({ max: 60, nullable: true }) zoneId: string | null;
  @InFlag() active: boolean;
}

/** A device and the password it signs in with, which is told this once. */
export class DevicePasswordView {
  @Out() id: string;
  @Out() password: string;
}

export class DeviceView {
  @Out() id: string;
  @Out() name: string;
  @OutEnum(DEVICE_KINDS) kind: DeviceKind;
  @OutOrNull(String) stationCode: string | null;
  @OutOrNull(Number) bench: number | null;
  @OutOrNull(String) zoneId: string | null;
  /** where it is, by name */
  @Out() place: string;
  @Out() active: boolean;
  @OutEnum(STANDINGS) standing: DeviceStanding;
  /** what somebody should look into */
  @OutList(() => String) troubles: string[];
  @OutOrNull(Number) heardMs: number | null;
  /** what it told last, in words, and when it was measured */
  @OutOrNull(String) told: string | null;
  @OutOrNull(Number) toldMs: number | null;
  /** how far its clock is ahead of the factory's; null where it tells none */
  @OutOrNull(Number) aheadMs: number | null;
  @Out() taken: number;
  /** came again, and counted once */
  @Out() doubled: number;
  @Out() refused: number;
  /** came too fast, and were not taken before they came again */
  @Out() heldBack: number;
  @Out() version: number;
}

/** A message that was not taken. */
export class DeviceRefusalView {
  @Out() id: number;
  @Out() deviceId: string;
  @Out() heardMs: number;
  @Out() why: string;
  /** the beginning of what it said */
  @Out() said: string;
}

export class DeviceLineView {
  @OutEnum(['none', 'on', 'off']) state: 'none' | 'on' | 'off';
  @Out() sinceMs: number;
}

export class DevicesView {
  /** the way to the broker, as it stands for the server that answers */
  @OutPart(() => DeviceLineView) line: DeviceLineView;
  @OutList(() => DeviceView) devices: DeviceView[];
  /** the latest, at most a hundred */
  @OutList(() => DeviceRefusalView) refusals: DeviceRefusalView[];
}

export class DeviceValuesFilterDto {
  /** a station, or a zone: as a field that waits is told */
  @InText({ max: 80, pattern: /^(station|zone) ./, hint: 'Say "station MC1" or "zone wood"' }) place: string;
  /** only what came after this one; where nothing is said, nothing but where one stands */
  @InText({ max: 20, pattern: /^\d+$/, optional: true }) after?: string;
}

export class DeviceValueView {
  @Out() seq: string;
  @Out() deviceId: string;
  @Out() deviceName: string;
  @OutEnum(QUANTITIES) quantity: Quantity;
  /** mm, g or % */
  @Out() value: number;
  @Out() atMs: number;
}

export class DeviceValuesView {
  /** what came last of all so far */
  @Out() cursor: string;
  /** devices that could send a value here, by name */
  @OutList(() => String) devices: string[];
  @OutList(() => DeviceValueView) values: DeviceValueView[];
}

export class TakeValueDto {
  /** the field that takes it, by a name of its own: the same may ask again */
  @InText({ max: 60 }) by: string;
}
