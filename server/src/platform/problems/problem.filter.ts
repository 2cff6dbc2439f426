import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { problemOfDatabase } from '../database/faults.ts';
import { routeOfRequest } from '../health/logging.ts';
import { BodyRefused } from '../http/body.ts';
import { Problem } from './problems.ts';

/** Turns whatever went wrong into a problem document; says nothing of the inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('Problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const request = http.getRequest<Request>();
    const response = http.getResponse<Response>();
    const problem = this.problemOf(error, request);
    if (response.headersSent) {
      response.end();
      return;
    }
    const { retryAfterSeconds, ...extra } = problem.extra;
    if (retryAfterSeconds !== undefined) response.setHeader('Retry-After', String(retryAfterSeconds));
    // What was not read of the request is not waited for.
    if (!request.complete) response.setHeader('Connection', 'close');
    response
      .status(problem.status)
      .type('application/problem+json')
      .json({
        type: `urn:ample-crane:${problem.type}`,
        title: problem.title,
        status: problem.status,
        detail: problem.detail,
        ...extra,
      });
  }

  private problemOf(error: unknown, request: Request): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof BodyRefused) return error.problem;
    if (error instanceof HttpException) {
      const status = error.getStatus();
      return new Problem(status, status === 404 ? 'not-found' : 'http', error.name.replace(/Exception$/, ''), error.message);
    }
    const reading = problemOfReading(error);
    if (reading) return reading;
    const told = problemOfDatabase(error);
    if (told) {
      this.logger.warn(`${request.method} ${routeOfRequest(request)}: ${error instanceof Error ? error.message : ''}`);
      return told;
    }
    this.logger.error(error instanceof Error ? (error.stack ?? error.message) : String(error));
    return new Problem(
      500,
      'unexpected',
      'Something went wrong',
      'The fault has been logged. Look whether it was saved before you try again.',
    );
  }
}

const READING: Readonly<Record<number, { type: string; title: string; detail: string }>> = {
  400: { type: 'bad-input', title: 'Check the input', detail: 'What was sent is not JSON.' },
  413: { type: 'too-large', title: 'Too much at once', detail: 'What was sent is larger than this takes.' },
  415: { type: 'media-type', title: 'Not understood', detail: 'Send JSON in UTF-8, not compressed.' },
};

/** Of a request whose address or body could not be read: those faults carry a status of their own. */
function problemOfReading(error: unknown): Problem | undefined {
  if (!(error instanceof Error) || !('status' in error) || typeof error.status !== 'number') return undefined;
  if (error.status < 400 || error.status >= 500) return undefined;
  const { type, title, detail } = READING[error.status] ?? { type: 'http', title: 'Not understood', detail: 'The request cannot be read.' };
  return new Problem(error.status, type, title, detail);
}
