import {
  CARRIER_KINDS,
  CAUTION_KINDS,
  COMPONENTS,
  OPERATION_KINDS,
  PREREQUISITE_KINDS,
  STAGES,
  type CarrierKind,
  type CautionKind,
  type Component,
  type Operation,
  type Prerequisite,
  type Route,
  type Stage,
} from '@ample-crane/core';
import { ApiProperty } from '@nestjs/swagger';
import { IsIn } from 'class-validator';
import { InCount, InCounts, InEach, InFlag, InList, InNumber, InOneOf, InPart, InText, InTexts } from '../platform/http/fields.ts';
import { InUnion } from '../platform/http/union.ts';

// The route language as it comes in: each kind of rule, condition and loop is a class of its own.

const NAME = { max: 80 };
const MINUTES = { min: 0, max: 1_000_000 };
const STEPS_MAX = 200;

/** The tag that tells one kind from another. */
const Kind = (kind: string) => (target: object, property: string) => {
  IsIn([kind])(target, property);
  ApiProperty({ enum: [kind] })(target, property);
};

export class ElapsedRuleDto {
  @Kind('elapsed') kind: 'elapsed';
  @InText(NAME) what: string;
  @InNumber(MINUTES) minimumMinutes: number;
  @InNumber({ ...MINUTES, optional: true }) maximumMinutes?: number;
}

export class CureLawDto {
  @InNumber({ min: 5, max: 40 }) referenceTempC: number;
  @InNumber({ min: 1, max: 5 }) q10: number;
  @InNumber({ min: -10, max: 40 }) minimumTempC: number;
}

export class EquivalentRuleDto {
  @Kind('equivalent') kind: 'equivalent';
  @InText(NAME) what: string;
  @InNumber({ min: 0.01, max: 400 }) minimumDays: number;
  @InPart(() => CureLawDto) law: CureLawDto;
}

export class InBandRuleDto {
  @Kind('inBand') kind: 'inBand';
  @InText(NAME) what: string;
  @InText({ ...NAME, optional: true }) characteristic?: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
  @InCount({ min: 1, max: 400 }) needed: number;
  @InText({ min: 0, max: 20 }) unit: string;
  @InText({ min: 0, max: 200 }) tooLow: string;
  @InText({ min: 0, max: 200 }) tooHigh: string;
}

export class SpreadRuleDto {
  @Kind('spread') kind: 'spread';
  @InNumber({ min: 0, max: 100_000 }) limit: number;
  @InText({ min: 0, max: 20 }) unit: string;
  @InText({ ...NAME, optional: true }) characteristic?: string;
}

export class GradientRuleDto {
  @Kind('gradient') kind: 'gradient';
  @InNumber({ min: 0, max: 100 }) limit: number;
  @InText({ ...NAME, optional: true }) shell?: string;
  @InText({ ...NAME, optional: true }) core?: string;
}

export class StableRuleDto {
  @Kind('stable') kind: 'stable';
  @InNumber({ min: 0, max: 1000 }) limitPerDay: number;
  @InNumber({ min: 1, max: 400 }) windowDays: number;
  @InText({ ...NAME, optional: true }) characteristic?: string;
}

export class WindowRuleDto {
  @Kind('window') kind: 'window';
  @InNumber(MINUTES) minimumMinutes: number;
  @InNumber(MINUTES) maximumMinutes: number;
  @InText(NAME) afterwards: string;
}

export class SprayLimitsDto {
  @InNumber({ min: -10, max: 50 }) minTempC: number;
  @InNumber({ min: -10, max: 50 }) maxTempC: number;
  @InNumber({ min: 0, max: 1 }) minHumidity: number;
  @InNumber({ min: 0, max: 1 }) maxHumidity: number;
  @InNumber({ min: 0, max: 20 }) dewMarginC: number;
}

export class ClimateRuleDto {
  @Kind('climate') kind: 'climate';
  @InPart(() => SprayLimitsDto) limits: SprayLimitsDto;
}

export class SignOffRuleDto {
  @Kind('signOff') kind: 'signOff';
  @InText(NAME) skill: string;
}

export class PartsRuleDto {
  @Kind('parts') kind: 'parts';
}

const RULES = () => ({
  elapsed: ElapsedRuleDto,
  equivalent: EquivalentRuleDto,
  inBand: InBandRuleDto,
  spread: SpreadRuleDto,
  gradient: GradientRuleDto,
  stable: StableRuleDto,
  window: WindowRuleDto,
  climate: ClimateRuleDto,
  signOff: SignOffRuleDto,
  parts: PartsRuleDto,
});

export class OptionConditionDto {
  @Kind('option') kind: 'option';
  @InText(NAME) option: string;
  @InTexts({ max: 40 }) in: string[];
}

export class SpeciesConditionDto {
  @Kind('species') kind: 'species';
  @InOneOf(COMPONENTS) component: Component;
  @InTexts({ max: 40 }) in: string[];
}

export class ConstructionConditionDto {
  @Kind('construction') kind: 'construction';
  @InTexts({ max: 40 }) in: string[];
}

const SIMPLE_CONDITIONS = () => ({ option: OptionConditionDto, species: SpeciesConditionDto, construction: ConstructionConditionDto });

export class NotConditionDto {
  @Kind('not') kind: 'not';
  @InUnion(SIMPLE_CONDITIONS) of: OptionConditionDto | SpeciesConditionDto | ConstructionConditionDto;
}

const PARTS_OF_CONDITIONS = () => ({ ...SIMPLE_CONDITIONS(), not: NotConditionDto });
type ConditionPart = NotConditionDto['of'] | NotConditionDto;

/** Rules inside a rule of several; what holds for none of several is said of each, so two levels say everything. */
export class AllPartsDto {
  @Kind('all') kind: 'all';
  @InUnion(PARTS_OF_CONDITIONS, { max: 10 }) of: ConditionPart[];
}

export class AnyPartsDto {
  @Kind('any') kind: 'any';
  @InUnion(PARTS_OF_CONDITIONS, { max: 10 }) of: ConditionPart[];
}

export class AllConditionDto {
  @Kind('all') kind: 'all';
  @InUnion(() => ({ ...PARTS_OF_CONDITIONS(), any: AnyPartsDto }), { max: 10 }) of: (ConditionPart | AnyPartsDto)[];
}

export class AnyConditionDto {
  @Kind('any') kind: 'any';
  @InUnion(() => ({ ...PARTS_OF_CONDITIONS(), all: AllPartsDto }), { max: 10 }) of: (ConditionPart | AllPartsDto)[];
}

export class TimesByOptionDto {
  @InText(NAME) option: string;
  @InCounts({ min: 0, max: 99 }) times: Record<string, number>;
}

export class CountRepeatDto {
  @Kind('count') kind: 'count';
  @InText(NAME) backTo: string;
  @InCount({ min: 0, max: 99 }) times: number;
  @InPart(() => TimesByOptionDto, { optional: true }) timesByOption?: TimesByOptionDto;
}

export class AcceptedRepeatDto {
  @Kind('until accepted') kind: 'until accepted';
  @InText(NAME) backTo: string;
  @InCount({ min: 1, max: 99 }) maximum: number;
  @InNumber({ min: 1, max: 99 }) expected: number;
}

export class CoatPlanDto {
  @InText(NAME) materialId: string;
  @InNumber({ min: 0.01, max: 1 }) volumeSolids: number;
  @InCount({ min: 1, max: 30 }) coats: number;
  @InNumber({ min: 1, max: 1000 }) wetUm: number;
  @InNumber(MINUTES) flashMinutes: number;
  @InNumber(MINUTES) recoatMaxMinutes: number;
}

export class CharacteristicDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InText({ min: 0, max: 20 }) unit: string;
  @InNumber({ min: -100_000, max: 100_000 }) low: number;
  @InNumber({ min: -100_000, max: 100_000 }) target: number;
  @InNumber({ min: -100_000, max: 100_000 }) high: number;
}

export class WayDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InText(NAME) stationCode: string;
  @InText({ ...NAME, optional: true }) skill?: string;
  @InCount({ min: 1, max: 3, optional: true }) skillLevel?: number;
  @InNumber(MINUTES) setupMinutes: number;
  @InNumber(MINUTES) minutesPerPiece: number;
  @InEach(CAUTION_KINDS) cautions?: CautionKind[];
}

export class PlaceNeedDto {
  @InOneOf(CARRIER_KINDS) kind: CarrierKind;
  @InFlag({ optional: true }) outline?: boolean;
}

export class PrerequisiteNeedDto implements Prerequisite {
  @InOneOf(PREREQUISITE_KINDS) kind: Prerequisite['kind'];
  @InText(NAME) what: string;
}

export class DrawDto {
  @InText(NAME) modelId: string;
  @InCount({ min: 1, max: 100 }) perPiece: number;
}

export class OperationDto implements Operation {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InOneOf(STAGES) stage: Stage;
  @InOneOf(COMPONENTS) component: Component;
  @InOneOf(OPERATION_KINDS) kind: Operation['kind'];
  @InText(NAME) stationCode: string;
  @InText({ ...NAME, optional: true }) skill?: string;
  @InCount({ min: 1, max: 3, optional: true }) skillLevel?: number;
  @InNumber(MINUTES) setupMinutes: number;
  @InNumber(MINUTES) minutesPerPiece: number;
  @InUnion(RULES, { max: 12 }) gate: (
    | ElapsedRuleDto
    | EquivalentRuleDto
    | InBandRuleDto
    | SpreadRuleDto
    | GradientRuleDto
    | StableRuleDto
    | WindowRuleDto
    | ClimateRuleDto
    | SignOffRuleDto
    | PartsRuleDto
  )[];
  @InTexts({ max: 8 }) next: string[];
  @InPart(() => CoatPlanDto, { optional: true }) coat?: CoatPlanDto;
  @InList(() => CharacteristicDto, { max: 20, optional: true }) characteristics?: CharacteristicDto[];
  @InEach(CAUTION_KINDS) cautions?: CautionKind[];
  @InText({ ...NAME, optional: true }) wayName?: string;
  @InList(() => WayDto, { max: 6, optional: true }) ways?: WayDto[];
  @InUnion(() => ({ ...PARTS_OF_CONDITIONS(), all: AllConditionDto, any: AnyConditionDto }), { optional: true })
  when?: ConditionPart | AllConditionDto | AnyConditionDto;
  @InUnion(() => ({ count: CountRepeatDto, 'until accepted': AcceptedRepeatDto }), { optional: true })
  repeat?: CountRepeatDto | AcceptedRepeatDto;
  @InPart(() => PlaceNeedDto, { optional: true }) place?: PlaceNeedDto;
  @InFlag({ optional: true }) noWait?: boolean;
  @InList(() => PrerequisiteNeedDto, { max: 10, optional: true }) needs?: PrerequisiteNeedDto[];
  @InList(() => DrawDto, { max: 10, optional: true }) draws?: DrawDto[];
  @InCount({ min: 1, max: 10_000, optional: true }) grit?: number;
  @InFlag({ optional: true }) handOver?: boolean;
  @InFlag({ optional: true }) matchedSet?: boolean;
  @InNumber({ min: 0, max: 400, optional: true }) awayDays?: number;
}

export class RouteOptionValueDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
}

export class RouteOptionDto {
  @InText(NAME) id: string;
  @InText(NAME) name: string;
  @InList(() => RouteOptionValueDto, { max: 20 }) values: RouteOptionValueDto[];
}

/** The steps of a route and what can be chosen on an order of it. */
export class RouteGraphDto implements Pick<Route, 'operations' | 'options'> {
  @InList(() => OperationDto, { max: STEPS_MAX }) operations: OperationDto[];
  @InList(() => RouteOptionDto, { max: 12, optional: true }) options?: RouteOptionDto[];
}
