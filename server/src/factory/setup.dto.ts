import {
  COMPONENTS,
  LOOKS,
  LOT_USES,
  OPERATION_KINDS,
  STAGES,
  type Component,
  type Look,
  type LotUse,
  type Operation,
  type SprayLimits,
  type Stage,
} from '@ample-crane/core';
import {
  InCount,
  InDay,
  InList,
  InNumber,
  InOneOf,
  InPart,
  InText,
  InWholeNumbers,
  Out,
  OutChoices,
  OutEnum,
  OutEnumOrNull,
  OutList,
  OutOrNull,
  OutPart,
} from '../platform/http/fields.ts';
import { VersionDto } from '../platform/http/version.dto.ts';
import { PersonView } from './people.dto.ts';
import { AdhesiveDto, ConsigneeDto, DefectKindDto, NotedDto, SpeciesDto } from './registers.dto.ts';
import { PrerequisiteView } from './equipment.service.ts';
import { BlankSizeDto, WeightTargetDto } from './models.service.ts';

export class HowManyView {
  @Out() measured: number;
  @Out() of: number;
}

export class CharacteristicView {
  @Out() id: string;
  @Out() name: string;
  @Out() unit: string;
  @Out() low: number;
  @Out() target: number;
  @Out() high: number;
  @OutOrNull(String) instrument: string | null;
  /** how many of how many pieces are measured; null for all of them */
  @OutOrNull(HowManyView) sample: HowManyView | null;
}

export class ChangeStationDto extends VersionDto {
  @InText({ max: 60 }) name: string;
  @InCount({ min: 1, max: 500 }) places: number;
}

/** Which state of a rule was before the person who changes it. */
class SeenDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

export class MoistureDto {
  @InOneOf(['calendar', 'meter', 'both']) gateSchool: 'calendar' | 'meter' | 'both';
  @InOneOf(['shop', 'fixed']) bandSchool: 'shop' | 'fixed';
  @InNumber({ min: 0.2, max: 5 }) halfWidthPct: number;
  @InNumber({ min: 3, max: 20 }) fixedLowPct: number;
  @InNumber({ min: 3, max: 20 }) fixedHighPct: number;
  @InCount({ min: 1, max: 60 }) readingsNeeded: number;
  @InNumber({ min: 0, max: 100 }) readingsPerM3: number;
  @InNumber({ min: 0.2, max: 10 }) spreadLimitPct: number;
  @InNumber({ min: 0.2, max: 10 }) gradientLimitPct: number;
  @InNumber({ min: 0.005, max: 2 }) stableLimitPctPerDay: number;
  @InCount({ min: 2, max: 120 }) stableWindowDays: number;
  @InNumber({ min: 0, max: 36_500 }) daysPer25Mm: number;
}

export class ChangeMoistureDto extends MoistureDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

/** Rules of their own for a use of wood, a form or a thickness of it, or any of them together. */
export class MoistureExceptionDto extends MoistureDto {
  @InOneOf(LOT_USES, { nullable: true }) use: LotUse | null;
  @InText({ max: 60, nullable: true }) form: string | null;
  /** of this thickness or more */
  @InNumber({ min: 1, max: 150, optional: true, nullable: true }) fromMm?: number | null;
}

export class ChangeExceptionsDto extends SeenDto {
  @InList(() => MoistureExceptionDto, { max: 30 }) exceptions: MoistureExceptionDto[];
}

export class MovementLimitDto {
  @InText({ max: 40 }) id: string;
  @InText({ max: 60 }) name: string;
  @InNumber({ min: 0.01, max: 50 }) limitMm: number;
  @InText({ max: 120 }) because: string;
}

export class HouseDto {
  @InText({ max: 80 }) name: string;
  /** rooms by their zones: where wood is kept and what its band follows, and where is sprayed */
  @InText({ max: 30 }) woodRoomZoneId: string;
  @InText({ max: 30 }) boothZoneId: string;
  /** ISO 4217 */
  @InText({ pattern: /^[A-Z]{3}$/, hint: 'Three capitals, as EUR' }) currency: string;
}

export class ChangeHouseDto extends HouseDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

export class WoodBuyingDto {
  /** days from buying to having */
  @InCount({ min: 0, max: 730 }) deliveryDays: number;
}

export class ChangeWoodBuyingDto extends WoodBuyingDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

export class ChangeSprayDto extends SeenDto {
  @InNumber({ min: 0, max: 50 }) minTempC: number;
  @InNumber({ min: 0, max: 50 }) maxTempC: number;
  /** fractions */
  @InNumber({ min: 0, max: 1 }) minHumidity: number;
  @InNumber({ min: 0, max: 1 }) maxHumidity: number;
  @InNumber({ min: 0, max: 20 }) dewMarginC: number;
}

export class ChangeMovementDto extends SeenDto {
  @InList(() => MovementLimitDto, { max: 30 }) limits: MovementLimitDto[];
}

const CLOCK_TIME = { pattern: /^([01]\d|2[0-3]):[0-5]\d$/, hint: 'A time of day is written as 07:00' };

class ClockSpanDto {
  @InText(CLOCK_TIME) startsAt: string;
  /** one that is no later than the start lies on the next day */
  @InText(CLOCK_TIME) endsAt: string;
}

class ShiftDto extends ClockSpanDto {
  /** ISO weekdays on which it begins, 1 for Monday */
  @InWholeNumbers({ min: 1, max: 7, most: 7 }) days: number[];
  @InList(() => ClockSpanDto, { max: 6 }) breaks: ClockSpanDto[];
}

class HolidayDto {
  @InDay() date: string;
}

class ShortDayDto extends HolidayDto {
  @InText(CLOCK_TIME) endsAt: string;
}

/** When the factory works. */
export class WorkingTimeDto {
  @InText({ max: 60 }) timeZone: string;
  @InList(() => ShiftDto, { max: 3 }) shifts: ShiftDto[];
  @InList(() => HolidayDto, { max: 200 }) holidays: HolidayDto[];
  @InList(() => ShortDayDto, { max: 100 }) shortDays: ShortDayDto[];
}

export class ChangeWorkingTimeDto extends WorkingTimeDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

/** Air of a kiln or cabinet. */
class KilnAirDto {
  @InNumber({ min: 10, max: 90 }) tempC: number;
  /** fraction 0…1 */
  @InNumber({ min: 0.05, max: 0.98 }) relativeHumidity: number;
}

class KilnStepDto extends KilnAirDto {
  @InNumber({ min: 3, max: 120 }) fromPct: number;
}

class ConditioningDto extends KilnAirDto {
  @InNumber({ min: 1, max: 240 }) hours: number;
}

export class KilnScheduleDto {
  /** empty for a new one */
  @InText({ min: 0, max: 60 }) id: string;
  @InText({ max: 60 }) name: string;
  @InList(() => KilnStepDto, { max: 12 }) steps: KilnStepDto[];
  @InNumber({ min: 3, max: 25 }) targetPct: number;
  /** null where a schedule ends without */
  @InPart(() => ConditioningDto, { nullable: true }) conditioning: ConditioningDto | null;
}

export class ChangeKilnsDto extends SeenDto {
  @InList(() => KilnScheduleDto, { max: 30 }) schedules: KilnScheduleDto[];
}

export class SerialDto {
  @InText({ max: 60 }) template: string;
  @InOneOf(['day', 'week', 'year', 'never']) reset: 'day' | 'week' | 'year' | 'never';
}

export class ChangeSerialDto extends SerialDto {
  @InText({ max: 40, optional: true }) seen?: string;
}

export class StationView {
  @Out() code: string;
  @Out() name: string;
  @OutEnum(STAGES) stage: Stage;
  @Out() zoneId: string;
  @OutEnum(['work', 'dwell']) kind: 'work' | 'dwell';
  @Out() places: number;
  @Out() version: number;
}

export class RouteStepView {
  @Out() id: string;
  @Out() name: string;
  @OutEnum(COMPONENTS) component: Component;
  @OutEnum(OPERATION_KINDS) kind: Operation['kind'];
  @Out() stationName: string;
  @OutOrNull(String) skill: string | null;
  @Out() setupMinutes: number;
  @Out() minutesPerPiece: number;
  /** what must pass before it is left, in words */
  @OutList(() => String) rules: string[];
  @OutList(() => CharacteristicView) characteristics: CharacteristicView[];
}

export class WoodView {
  @OutEnum(COMPONENTS) component: Component;
  @Out() species: string;
  @Out() use: string;
  @Out() volumeM3: number;
  @Out() thicknessMm: number;
  /** the blank it is made of, where boards are measured and planned */
  @OutOrNull(BlankSizeDto) blank: BlankSizeDto | null;
  /** what the finished instrument should weigh, where blanks are allotted by weight */
  @OutOrNull(WeightTargetDto) weight: WeightTargetDto | null;
}

export class OptionValueView {
  @Out() id: string;
  @Out() name: string;
  /** species by part, where it chooses another wood than the model's usual */
  @OutChoices() wood: Record<string, string>;
  @OutEnumOrNull(LOOKS) look: Look | null;
  /** what it adds to the price of an instrument, in the factory's money */
  @Out() extraPrice: number;
}

/** What can be chosen on an order; the first value is the usual one. */
export class OptionView {
  @Out() id: string;
  @Out() name: string;
  @OutList(() => OptionValueView) values: OptionValueView[];
}

export class ModelView {
  @Out() id: string;
  @Out() code: string;
  @Out() name: string;
  @Out() construction: string;
  @Out() batchSize: number;
  @Out() scaleLengthMm: number;
  @Out() clearanceLowMm: number;
  @Out() clearanceTargetMm: number;
  @Out() clearanceHighMm: number;
  @Out() active: boolean;
  /** this state of it, to be given back with a change */
  @Out() tag: string;
  @OutList(() => WoodView) wood: WoodView[];
  /** null before a first version is released */
  @OutOrNull(Number) routeVersion: number | null;
  @OutList(() => RouteStepView) steps: RouteStepView[];
  @OutList(() => String) components: string[];
  @OutList(() => OptionView) options: OptionView[];
}

export class ZoneView {
  @Out() id: string;
  @Out() name: string;
  @Out() tempC: number;
  @Out() relativeHumidity: number;
  @Out() emcPct: number;
  @Out() atMs: number;
}

/** A room with a climate, whether a sensor reports from it or not. */
export class ZoneNameView {
  @Out() id: string;
  @Out() name: string;
}

export class CureLawView {
  @Out() referenceTempC: number;
  @Out() q10: number;
  @Out() minimumTempC: number;
}

export class MaterialView {
  @Out() id: string;
  @Out() name: string;
  @Out() kind: string;
  @Out() volumeSolids: number;
  @Out() buildLowUm: number;
  @Out() buildHighUm: number;
  @Out() cureDays: number;
  @OutPart(() => CureLawView) cure: CureLawView;
  /** the state it is in */
  @Out() tag: string;
}

export class SkillView {
  @Out() skill: string;
  @OutList(() => String) holders: string[];
  /** the highest level at which somebody holds it: 1 learns it, 2 does it alone, 3 teaches it */
  @Out() level: number;
}

/** What the booth's air must be to spray in it, where the coating's sheet says nothing else. */
export class SprayLimitsView implements SprayLimits {
  @Out() zoneId: string;
  @Out() minTempC: number;
  @Out() maxTempC: number;
  @Out() minHumidity: number;
  @Out() maxHumidity: number;
  @Out() dewMarginC: number;
}

/** Of each rule, the state it is in: sent along with a change, so that nobody's is overwritten unseen. */
class RuleTagsView {
  @Out() moisture: string;
  @Out() exceptions: string;
  @Out() species: string;
  @Out() defects: string;
  @Out() cautions: string;
  @Out() pauseCauses: string;
  @Out() startChecks: string;
  @Out() adhesives: string;
  @Out() consignees: string;
  @Out() movement: string;
  @Out() house: string;
  @Out() woodBuying: string;
  @Out() spray: string;
  @Out() kilns: string;
  @Out() serial: string;
  @Out() workingTime: string;
}

export class SetupView {
  @OutList(() => PersonView) people: PersonView[];
  @OutList(() => StationView) stations: StationView[];
  @OutList(() => ModelView) models: ModelView[];
  @OutList(() => ZoneNameView) zones: ZoneNameView[];
  @OutList(() => MaterialView) materials: MaterialView[];
  @OutList(() => SkillView) skills: SkillView[];
  @OutList(() => PrerequisiteView) prerequisites: PrerequisiteView[];
  @OutPart(() => MoistureDto) moisture: MoistureDto;
  @OutList(() => MoistureExceptionDto) exceptions: MoistureExceptionDto[];
  @OutList(() => SpeciesDto) species: SpeciesDto[];
  @OutList(() => DefectKindDto) defects: DefectKindDto[];
  @OutList(() => NotedDto) cautions: NotedDto[];
  @OutList(() => NotedDto) pauseCauses: NotedDto[];
  @OutList(() => NotedDto) startChecks: NotedDto[];
  @OutList(() => AdhesiveDto) adhesives: AdhesiveDto[];
  @OutList(() => ConsigneeDto) consignees: ConsigneeDto[];
  @OutList(() => KilnScheduleDto) kilns: KilnScheduleDto[];
  @OutList(() => MovementLimitDto) movementLimits: MovementLimitDto[];
  @OutPart(() => HouseDto) house: HouseDto;
  @OutPart(() => WoodBuyingDto) woodBuying: WoodBuyingDto;
  @OutPart(() => WorkingTimeDto) workingTime: WorkingTimeDto;
  @OutPart(() => SprayLimitsView) spray: SprayLimitsView;
  @OutPart(() => SerialDto) serial: SerialDto;
  @Out() serialExample: string;
  @OutPart(() => RuleTagsView) tags: RuleTagsView;
}
