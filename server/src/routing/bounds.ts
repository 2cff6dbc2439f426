import { ApiProperty } from '@nestjs/swagger';
import { IsIn } from 'class-validator';

export const NAME = { max: 80 };
export const MINUTES = { min: 0, max: 1_000_000 };

/** The tag that tells one kind from another. */
export const Kind = (kind: string) => (target: object, property: string) => {
  IsIn([kind])(target, property);
  ApiProperty({ enum: [kind] })(target, property);
};
