import { applyDecorators, type Type as Class } from '@nestjs/common';
import { ApiProperty } from '@nestjs/swagger';
import { Transform, Type } from 'class-transformer';
import {
  ArrayMaxSize,
  ArrayUnique,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsISO8601,
  IsNumber,
  IsObject,
  Length,
  Matches,
  Max,
  Min,
  ValidateBy,
  ValidateIf,
  ValidateNested,
} from 'class-validator';
import { faultOfText, IsKeptText, normalised, type TextForm } from './text.ts';

// One decorator a field: what it must be, and what the OpenAPI document says of it.

type Maker = (...decorators: PropertyDecorator[]) => PropertyDecorator;
const make: Maker = (...decorators) => applyDecorators(...decorators);

export interface Presence {
  /** the field may be left out */
  optional?: boolean;
  /** the field may be null */
  nullable?: boolean;
}

/** What may be left out may not be null for that: null is a value, and has to be allowed by name. */
export const presence = ({ optional = false, nullable = false }: Presence): PropertyDecorator[] =>
  optional || nullable ? [ValidateIf((_, value) => !(optional && value === undefined) && !(nullable && value === null))] : [];
const doc = ({ optional, nullable }: Presence) => ({
  required: optional !== true,
  ...(nullable === true ? { nullable: true } : {}),
});

export const InText = (options: Presence & TextForm & { min?: number; max?: number; pattern?: RegExp; hint?: string } = {}) => {
  const { min = 1, max = 200, pattern, hint } = options;
  return make(
    ...presence(options),
    Transform(({ value }) => normalised(value, options)),
    IsKeptText(options),
    Length(min, max),
    ...(pattern ? [Matches(pattern, hint === undefined ? {} : { message: hint })] : []),
    ApiProperty({ type: String, minLength: min, maxLength: max, ...doc(options) }),
  );
};

export const InCount = (options: Presence & { min: number; max: number }) =>
  make(
    ...presence(options),
    IsInt(),
    Min(options.min),
    Max(options.max),
    ApiProperty({ type: 'integer', minimum: options.min, maximum: options.max, ...doc(options) }),
  );

export const InNumber = (options: Presence & { min: number; max: number }) =>
  make(
    ...presence(options),
    IsNumber({ allowInfinity: false, allowNaN: false }),
    Min(options.min),
    Max(options.max),
    ApiProperty({ type: Number, minimum: options.min, maximum: options.max, ...doc(options) }),
  );

/** Whole epoch milliseconds between the years 2000 and 2100. */
export const InInstant = (options: Presence = {}) => InCount({ min: 946_684_800_000, max: 4_102_444_800_000, ...options });

export const InFlag = (options: Presence = {}) => make(...presence(options), IsBoolean(), ApiProperty({ type: Boolean, ...doc(options) }));

export const InOneOf = <T extends string>(values: readonly T[], options: Presence = {}) =>
  make(...presence(options), IsIn([...values]), ApiProperty({ type: String, enum: [...values], ...doc(options) }));

/** A day of the calendar, as 2026-03-31. */
export const InDay = (options: Presence = {}) =>
  make(
    ...presence(options),
    Matches(/^\d{4}-\d{2}-\d{2}$/),
    IsISO8601({ strict: true }),
    ApiProperty({ type: String, format: 'date', minLength: 10, maxLength: 10, ...doc(options) }),
  );

/** Whole numbers, each once. */
export const InWholeNumbers = (options: Presence & { min: number; max: number; most: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.most),
    ArrayUnique(),
    IsInt({ each: true }),
    Min(options.min, { each: true }),
    Max(options.max, { each: true }),
    ApiProperty({ type: 'integer', isArray: true, minimum: options.min, maximum: options.max, maxItems: options.most, ...doc(options) }),
  );

/** Figures, some of which may be the same. */
export const InNumbers = (options: Presence & { min: number; max: number; most: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.most),
    IsNumber({ allowInfinity: false, allowNaN: false }, { each: true }),
    Min(options.min, { each: true }),
    Max(options.max, { each: true }),
    ApiProperty({ type: Number, isArray: true, minimum: options.min, maximum: options.max, maxItems: options.most, ...doc(options) }),
  );

/** Some of a set of words; may be left out unless it is said otherwise. */
export const InEach = (values: readonly string[], options: Presence = { optional: true }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(values.length),
    IsIn([...values], { each: true }),
    ApiProperty({ type: String, enum: [...values], isArray: true, maxItems: values.length, ...doc(options) }),
  );

export const InTexts = (options: Presence & { max: number; length?: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.max),
    Transform(({ value }: { value: unknown }) => (Array.isArray(value) ? value.map((text) => normalised(text)) : value)),
    IsKeptText({}, true),
    Length(1, options.length ?? 200, { each: true }),
    ApiProperty({ type: String, isArray: true, maxItems: options.max, ...doc(options) }),
  );

export const InList = (of: () => Class, options: Presence & { max: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.max),
    ValidateNested({ each: true }),
    Type(of),
    ApiProperty({ type: () => of(), isArray: true, maxItems: options.max, ...doc(options) }),
  );

export const InPart = (of: () => Class, options: Presence = {}) =>
  make(...presence(options), ValidateNested(), Type(of), ApiProperty({ type: () => of(), ...doc(options) }));

/** A field of an answer. */
export const Out = () => ApiProperty();
export const OutOrNull = (type: Class | (() => Class) | typeof String | typeof Number) => ApiProperty({ type, nullable: true });
export const OutList = (of: () => Class | typeof String | typeof Number) => ApiProperty({ type: () => of(), isArray: true });
export const OutPart = (of: () => Class) => ApiProperty({ type: () => of() });
export const OutEnum = (values: readonly string[]) => ApiProperty({ type: String, enum: [...values] });
export const OutEnumOrNull = (values: readonly string[]) => ApiProperty({ type: String, enum: [...values], nullable: true });

const ENTRIES_MAX = 40;
const isWord = (text: unknown) => typeof text === 'string' && text.length <= 80 && faultOfText(text) === undefined;

/** A value for each of some words. */
const InMap = (
  options: Presence,
  of: { told: string; isValue: (value: unknown) => boolean; schema: Readonly<Record<string, string | number>> },
) =>
  make(
    ...presence(options),
    IsObject(),
    ValidateBy({
      name: 'map',
      validator: {
        validate: (value: unknown) =>
          typeof value === 'object' &&
          value !== null &&
          Object.keys(value).length <= ENTRIES_MAX &&
          Object.entries(value).every(([key, entry]) => isWord(key) && of.isValue(entry)),
        defaultMessage: (args) => `${args?.property ?? 'this'} must give ${of.told} for each of at most ${ENTRIES_MAX} words`,
      },
    }),
    ApiProperty({ type: 'object', additionalProperties: of.schema, maxProperties: ENTRIES_MAX, selfRequired: options.optional !== true }),
  );

/** A choice of a value for each of some options. */
export const InChoices = (options: Presence = {}) =>
  InMap(options, { told: 'a word', isValue: isWord, schema: { type: 'string', maxLength: 80 } });

/** A count for each of some words. */
export const InCounts = ({ min, max, ...options }: Presence & { min: number; max: number }) =>
  InMap(options, {
    told: `a whole number from ${min} to ${max}`,
    isValue: (value) => Number.isInteger(value) && Number(value) >= min && Number(value) <= max,
    schema: { type: 'integer', minimum: min, maximum: max },
  });

export const OutChoices = () => ApiProperty({ type: 'object', additionalProperties: { type: 'string' } });
