import { applyDecorators, type Type as Class } from '@nestjs/common';
import { ApiExtraModels, ApiProperty, getSchemaPath, IntersectionType } from '@nestjs/swagger';
import { Type } from 'class-transformer';
import { ArrayMaxSize, IsArray, IsObject, ValidateNested } from 'class-validator';
import { presence } from './fields.ts';

interface Options {
  optional?: boolean;
  /** a list of them, of so many at most */
  max?: number;
}

class AnyKind {
  kind: string;
}

/** The classes that a class's unions name: they have to be described with whatever class takes these fields over. */
const named = new WeakMap<object, Class[]>();

/**
 * A field whose shape depends on its `kind`, each kind a class of its own; a list of such where `max` is given. A kind
 * that is none of them is left as a bare object, which validation refuses for its unknown fields.
 *
 * @param kinds the class of each kind, asked for late so that kinds may hold one another
 */
export function InUnion(kinds: () => Record<string, Class>, options: Options = {}): PropertyDecorator {
  const list = options.max !== undefined;
  return (target, property) => {
    const classes = kinds();
    const schemas = Object.values(classes).map((of) => ({ $ref: getSchemaPath(of) }));
    const shape = { oneOf: schemas };
    applyDecorators(
      ...presence(options),
      ...(list ? [IsArray(), ArrayMaxSize(options.max ?? 0)] : [IsObject()]),
      ValidateNested(list ? { each: true } : {}),
      Type(() => AnyKind, {
        keepDiscriminatorProperty: true,
        discriminator: { property: 'kind', subTypes: Object.entries(classes).map(([name, value]) => ({ name, value })) },
      }),
      ApiProperty({ required: options.optional !== true, ...(list ? { type: 'array', items: shape, maxItems: options.max ?? 0 } : shape) }),
    )(target, property);
    ApiExtraModels(...Object.values(classes))(target.constructor);
    named.set(target.constructor, [...(named.get(target.constructor) ?? []), ...Object.values(classes)]);
  };
}

/** One class with the fields of several, their unions included. */
export const Together: typeof IntersectionType = (...parts) => {
  const whole = IntersectionType(...parts);
  ApiExtraModels(...parts.flatMap((part) => named.get(part) ?? []))(whole);
  return whole;
};
