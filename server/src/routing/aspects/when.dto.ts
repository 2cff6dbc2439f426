import { COMPONENTS, type Component } from '@ample-crane/core';
import { InOneOf, InText, InTexts } from '../../platform/http/fields.ts';
import { InUnion } from '../../platform/http/union.ts';
import { Kind, NAME } from '../bounds.ts';

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

export class WhenAspectDto {
  @InUnion(() => ({ ...PARTS_OF_CONDITIONS(), all: AllConditionDto, any: AnyConditionDto }), { optional: true })
  when?: ConditionPart | AllConditionDto | AnyConditionDto;
}
