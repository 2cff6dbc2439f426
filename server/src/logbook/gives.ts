import type { AnyCommandKind, HouseFactory } from '@ample-crane/core';
import { applyDecorators, HttpCode } from '@nestjs/common';
import { ApiExtension } from '@nestjs/swagger';
import { Allow } from '../platform/identity/role.ts';

/** Under what an operation of the API's description says which command it gives. */
export const GIVES = 'x-command';

/** A route that gives one of core's commands, to whom core lets give it. */
export const Gives = <Name extends string>(command: Pick<AnyCommandKind<HouseFactory>, 'role'> & { readonly name: Name }) =>
  applyDecorators(Allow(command.role), HttpCode(200), ApiExtension(GIVES, command.name));
