import { applyDecorators, type Type as Class } from '@nestjs/common';
import { ApiProperty } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import {
  ArrayMaxSize,
  IsArray,
  IsBoolean,
  IsIn,
  IsInt,
  IsNumber,
  IsObject,
  IsOptional,
  IsString,
  Length,
  Matches,
  Max,
  Min,
  ValidateIf,
  ValidateNested,
} from 'class-validator';

// One decorator a field: what it must be, and what the OpenAPI document says of it.

type Maker = (...decorators: PropertyDecorator[]) => PropertyDecorator;
const make: Maker = (...decorators) => applyDecorators(...decorators);

interface Presence {
  /** the field may be left out */
  optional?: boolean;
  /** the field may be null */
  nullable?: boolean;
}

const presence = ({ optional, nullable }: Presence): PropertyDecorator[] => [
  ...(optional ? [IsOptional()] : []),
  ...(nullable ? [ValidateIf((_, value) => value !== null)] : []),
];
const doc = ({ optional, nullable }: Presence) => ({
  required: optional !== true,
  ...(nullable === true ? { nullable: true } : {}),
});

export const InText = (options: Presence & { min?: number; max?: number; pattern?: RegExp; hint?: string } = {}) => {
  const { min = 1, max = 200, pattern, hint } = options;
  return make(
    ...presence(options),
    IsString(),
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

/** Epoch milliseconds between the years 2000 and 2200. */
export const InInstant = (options: Presence = {}) => InNumber({ min: 946_684_800_000, max: 7_258_118_400_000, ...options });

export const InFlag = (options: Presence = {}) => make(...presence(options), IsBoolean(), ApiProperty({ type: Boolean, ...doc(options) }));

export const InOneOf = <T extends string>(values: readonly T[], options: Presence = {}) =>
  make(...presence(options), IsIn([...values]), ApiProperty({ type: String, enum: [...values], ...doc(options) }));

/** Some of a set of words; may be left out. */
export const InEach = (values: readonly string[]) =>
  make(
    IsOptional(),
    IsArray(),
    ArrayMaxSize(values.length),
    IsIn([...values], { each: true }),
    ApiProperty({ type: String, enum: [...values], isArray: true, required: false }),
  );

export const InTexts = (options: Presence & { max: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.max),
    IsString({ each: true }),
    Length(1, 200, { each: true }),
    ApiProperty({ type: [String], ...doc(options) }),
  );

export const InList = (of: () => Class, options: Presence & { max: number }) =>
  make(
    ...presence(options),
    IsArray(),
    ArrayMaxSize(options.max),
    ValidateNested({ each: true }),
    Type(of),
    ApiProperty({ type: () => of(), isArray: true, ...doc(options) }),
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

/** A choice of a value for each of some options. */
export const InChoices = (options: Presence = {}) =>
  make(
    ...presence(options),
    IsObject(),
    ApiProperty({ type: 'object', additionalProperties: { type: 'string' }, selfRequired: options.optional !== true }),
  );

export const OutChoices = () => ApiProperty({ type: 'object', additionalProperties: { type: 'string' } });
