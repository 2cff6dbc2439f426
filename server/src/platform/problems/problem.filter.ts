import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Request, Response } from 'express';
import { Problem } from './problems.ts';

const UNIQUE_VIOLATION = '23505';
const CHECK_VIOLATION = '23514';
const FOREIGN_KEY_VIOLATION = '23503';
const OVER_FILLED = 'carrier_not_over_filled';
const DATABASE_GONE = /ECONNREFUSED|ECONNRESET|terminat|shutting down|starting up|Connection ended|timeout exceeded/i;

function codeOf(error: unknown): unknown {
  return typeof error === 'object' && error !== null && 'code' in error ? error.code : undefined;
}

const constraintOf = (error: unknown): unknown =>
  typeof error === 'object' && error !== null && 'constraint' in error ? error.constraint : undefined;

/** Turns whatever went wrong into a problem document; says nothing of the inside. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  private readonly logger = new Logger('Problem');

  catch(error: unknown, host: ArgumentsHost): void {
    const http = host.switchToHttp();
    const response = http.getResponse<Response>();
    const problem = this.toProblem(error, http.getRequest<Request>());
    if (response.headersSent) {
      response.end();
      return;
    }
    response
      .status(problem.status)
      .type('application/problem+json')
      .json({
        type: `urn:ample-crane:${problem.type}`,
        title: problem.title,
        status: problem.status,
        detail: problem.detail,
        ...problem.extra,
      });
  }

  private toProblem(error: unknown, request: Request): Problem {
    if (error instanceof Problem) return error;
    if (error instanceof HttpException) {
      const status = error.getStatus();
      return new Problem(status, status === 404 ? 'not-found' : 'http', error.name.replace(/Exception$/, ''), error.message);
    }
    const code = codeOf(error);
    if (code === UNIQUE_VIOLATION || code === CHECK_VIOLATION || code === FOREIGN_KEY_VIOLATION) {
      this.logger.warn(`${request.method} ${request.path}: ${error instanceof Error ? error.message : ''}`);
      if (constraintOf(error) === OVER_FILLED)
        return new Problem(409, 'places', 'No place left', 'Someone else has just taken these places. Nothing was saved; choose others.');
      return new Problem(409, 'conflict', 'Already taken', 'This clashes with something already recorded. Nothing was saved.');
    }
    const message = error instanceof Error ? error.message : String(error);
    if (
      DATABASE_GONE.test(message) ||
      (typeof code === 'string' && (code.startsWith('57P') || code.startsWith('08') || code.startsWith('ECONN')))
    ) {
      this.logger.error(`Database unreachable: ${message}`);
      return new Problem(
        503,
        'database',
        'The database does not answer',
        'Nothing was saved. Try again in a moment; what you typed is still here.',
      );
    }
    this.logger.error(error instanceof Error ? (error.stack ?? message) : message);
    return new Problem(500, 'unexpected', 'Something went wrong', 'Nothing was saved. The fault has been logged.');
  }
}
