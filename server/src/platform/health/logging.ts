import { randomUUID } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { LoggerService } from '@nestjs/common';
import type { Request, RequestHandler } from 'express';
import pino, { type Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { SignedRequest } from '../identity/actor.ts';

const GIVEN_ID = /^[\w-]{8,64}$/;

/** One line of JSON for each thing told. */
export const makeLogger = (level: string): Logger => pino({ level, base: null, timestamp: pino.stdTimeFunctions.isoTime });

/** The pattern of a request's address: what stands in it may be a secret, as in a calendar's. */
export const routeOfRequest = (request: IncomingMessage): string => {
  const route: unknown = 'route' in request ? request.route : undefined;
  const path: unknown = typeof route === 'object' && route !== null && 'path' in route ? route.path : undefined;
  return typeof path === 'string' ? path : 'none of ours';
};

/** Gives every request an id, and tells of each what was asked, by whom, how it ended and how long it took; no more. */
export function logRequests(logger: Logger): RequestHandler {
  return pinoHttp<Request, ServerResponse>({
    logger,
    genReqId: (request, response) => {
      const given = request.headers['x-request-id'];
      const id = typeof given === 'string' && GIVEN_ID.test(given) ? given : randomUUID();
      response.setHeader('X-Request-Id', id);
      return id;
    },
    serializers: { req: () => undefined, res: () => undefined, err: (error: Error) => ({ message: error.message }) },
    customLogLevel: (_request, response, error) => (error || response.statusCode >= 500 ? 'error' : 'info'),
    customSuccessMessage: (request) => `${request.method} ${routeOfRequest(request)}`,
    customErrorMessage: (request) => `${request.method} ${routeOfRequest(request)}`,
    customProps: (request, response) => ({
      id: request.id,
      status: response.statusCode,
      person: (request as SignedRequest).actor?.personId,
    }),
  });
}

/** Nest's own words, in the same log. */
export class NestLog implements LoggerService {
  constructor(private readonly logger: Logger) {}

  log(message: unknown, context?: string): void {
    this.logger.info({ context }, text(message));
  }
  warn(message: unknown, context?: string): void {
    this.logger.warn({ context }, text(message));
  }
  debug(message: unknown, context?: string): void {
    this.logger.debug({ context }, text(message));
  }
  error(message: unknown, ...rest: unknown[]): void {
    const [context] = rest.slice(-1);
    this.logger.error({ context }, text(message));
  }
  fatal(message: unknown, context?: string): void {
    this.logger.fatal({ context }, text(message));
  }
}

const text = (message: unknown): string =>
  message instanceof Error ? (message.stack ?? message.message) : typeof message === 'string' ? message : JSON.stringify(message);
