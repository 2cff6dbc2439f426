import {
  applyDecorators,
  mixin,
  UseInterceptors,
  type CallHandler,
  type ExecutionContext,
  type NestInterceptor,
  type Type,
} from '@nestjs/common';
import { ApiBody, ApiConsumes } from '@nestjs/swagger';
import type { Request, Response } from 'express';
import multer from 'multer';
import type { Observable } from 'rxjs';
import { badInput, Problem } from '../problems/problems.ts';
import { excessOf, SMALL_BODY } from './body.ts';

const FORM = { bytes: 16 * 1024, values: 200, depth: 4 } satisfies typeof SMALL_BODY;

/**
 * A route that takes a file: as a form of one file and of what is to be known about it, the latter as JSON in the field
 * `about`. The file is read as a stream that ends at its bound, and joins the rest under a name of its own, to be
 * validated like any body.
 *
 * @param field where the file's content goes in the body
 */
export function Upload(field: string, { bytes, as }: { bytes: number; as: 'utf8' | 'base64' }): MethodDecorator {
  return applyDecorators(
    UseInterceptors(uploadInterceptor(field, bytes, as)),
    ApiConsumes('multipart/form-data'),
    ApiBody({
      schema: {
        type: 'object',
        required: ['file', 'about'],
        properties: {
          file: { type: 'string', format: 'binary' },
          about: { type: 'string', maxLength: FORM.bytes, description: 'JSON of what is to be known about the file' },
        },
      },
    }),
  );
}

function uploadInterceptor(field: string, bytes: number, as: 'utf8' | 'base64'): Type<NestInterceptor> {
  const read = multer({
    storage: multer.memoryStorage(),
    limits: { fileSize: bytes, files: 1, fields: 1, fieldSize: FORM.bytes, fieldNameSize: 40, parts: 2, headerPairs: 20 },
  }).single('file');

  class UploadInterceptor implements NestInterceptor {
    async intercept(context: ExecutionContext, next: CallHandler): Promise<Observable<unknown>> {
      const http = context.switchToHttp();
      const request = http.getRequest<Request>();
      if (!request.is('multipart/form-data'))
        throw new Problem(415, 'media-type', 'Not a form', 'Send the file as a form of the fields "file" and "about".');
      await new Promise<void>((resolve, reject) =>
        read(request, http.getResponse<Response>(), (error: unknown) =>
          error === undefined || error === null ? resolve() : reject(refusal(error, bytes)),
        ),
      );
      if (!request.file) throw badInput('file', 'No file came along');
      request.body = { ...aboutIn(request.body), [field]: request.file.buffer.toString(as) };
      return next.handle();
    }
  }
  return mixin(UploadInterceptor);
}

function aboutIn(form: unknown): object {
  const about: unknown = typeof form === 'object' && form !== null && 'about' in form ? form.about : '{}';
  if (typeof about !== 'string' || excessOf(Buffer.from(about), FORM) !== undefined) throw badInput('about', 'Say less about the file');
  try {
    const told: unknown = JSON.parse(about);
    if (typeof told === 'object' && told !== null && !Array.isArray(told)) return told;
  } catch {
    // No JSON: told below like all that is none of ours.
  }
  throw badInput('about', 'What is to be known about the file must be one JSON object');
}

function refusal(error: unknown, bytes: number): Error {
  // The parser of forms throws plain errors for whatever is no form.
  if (!(error instanceof multer.MulterError)) return badInput('file', 'What was sent cannot be read as a form');
  return error.code === 'LIMIT_FILE_SIZE'
    ? new Problem(413, 'too-large', 'Too large', `The file may hold ${Math.round(bytes / 1024 / 1024)} MB.`)
    : badInput('file', error.message);
}
