import { ValidationPipe, type ArgumentMetadata } from '@nestjs/common';
import type { ValidationError } from 'class-validator';
import { badInput, Problem, type FieldProblem } from '../problems/problems.ts';
import { faultOfText } from './text.ts';

const FAULTS_TOLD = 20;
const PARAMETER_MAX = 200;

/** What comes in is what its class says, or is refused with what is wrong with it; twenty faults are told at most. */
export class InputPipe extends ValidationPipe {
  constructor() {
    super({
      whitelist: true,
      forbidNonWhitelisted: true,
      transform: true,
      stopAtFirstError: true,
      validationError: { target: false, value: false },
      exceptionFactory: toProblem,
    });
  }

  override transform(value: unknown, metadata: ArgumentMetadata): Promise<unknown> {
    const { type, data } = metadata;
    if (type === 'param' && typeof value === 'string') checkParameter(data ?? 'address', value);
    if (type === 'query' && isRecord(value)) for (const [name, text] of Object.entries(value)) checkParameter(name, text);
    if (type !== 'body' || data !== undefined || this.isPlain(metadata)) return super.transform(value, metadata);
    // Nothing at all is a command that says nothing.
    const body = value === undefined ? {} : value;
    if (!isRecord(body)) throw badInput('body', 'Send one JSON object');
    checkLists(body, '');
    return super.transform(body, metadata);
  }

  private isPlain({ metatype }: ArgumentMetadata): boolean {
    return metatype === undefined || metatype === Object || metatype === String;
  }
}

const isRecord = (value: unknown): value is Record<string, unknown> => typeof value === 'object' && value !== null && !Array.isArray(value);

/** No list of ours has empty places, or lists for members: the transformer of classes would stumble over them. */
function checkLists(value: unknown, path: string): void {
  if (typeof value !== 'object' || value === null) return;
  for (const [key, member] of Object.entries(value)) {
    const field = path === '' ? key : `${path}.${key}`;
    if (Array.isArray(value) && (member === null || Array.isArray(member)))
      throw badInput(field.slice(0, PARAMETER_MAX), `${field.slice(0, PARAMETER_MAX)} must be a member of its list`);
    checkLists(member, field);
  }
}

function checkParameter(name: string, value: unknown): void {
  for (const text of Array.isArray(value) ? (value as unknown[]) : [value]) {
    if (typeof text !== 'string') continue;
    const fault = text.length > PARAMETER_MAX ? `is longer than ${PARAMETER_MAX} characters` : faultOfText(text);
    if (fault !== undefined) throw badInput(name, `${name} ${fault}`);
  }
}

function toProblem(errors: ValidationError[]): Problem {
  const fields: FieldProblem[] = [];
  for (const fault of faultsIn(errors, '')) {
    fields.push(fault);
    if (fields.length === FAULTS_TOLD) break;
  }
  return new Problem(400, 'bad-input', 'Check the input', fields.map((f) => f.message).join('. '), { fields });
}

function* faultsIn(errors: readonly ValidationError[], prefix: string): Generator<FieldProblem> {
  for (const error of errors) {
    const field = `${prefix}${error.property.slice(0, PARAMETER_MAX)}`;
    for (const message of Object.values(error.constraints ?? {})) yield { field, message: message.slice(0, 2 * PARAMETER_MAX) };
    yield* faultsIn(error.children ?? [], `${field}.`);
  }
}
