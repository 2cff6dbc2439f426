import { Injectable, SetMetadata, type CallHandler, type ExecutionContext, type NestInterceptor } from '@nestjs/common';
import { Reflector } from '@nestjs/core';
import express, { type Request, type RequestHandler, type Response } from 'express';
import type { Observable } from 'rxjs';
import { Problem } from '../problems/problems.ts';

/** What a body may hold at most. */
export interface BodyBounds {
  bytes: number;
  /** members of objects and lists, all together */
  values: number;
  depth: number;
}

export const ORDINARY_BODY: BodyBounds = { bytes: 256 * 1024, values: 20_000, depth: 16 };
/** A name, a password, a few words. */
export const SMALL_BODY: BodyBounds = { bytes: 4 * 1024, values: 32, depth: 4 };

const BOUNDS = 'body bounds';
/** Says that a route's body has bounds of its own. */
export const BodyBound = (bounds: BodyBounds) => SetMetadata(BOUNDS, bounds);

const QUOTE = 0x22;
const ESCAPE = 0x5c;
const COMMA = 0x2c;
const OPENING = new Set([0x5b, 0x7b]);
const CLOSING = new Set([0x5d, 0x7d]);

/** Why a JSON text is too much to be read, told from its bytes alone; undefined when it is not. */
export function excessOf(json: Buffer, { values, depth }: BodyBounds): string | undefined {
  let open = 0;
  let count = 0;
  let inText = false;
  for (let i = 0; i < json.length; i++) {
    const byte = json[i] ?? 0;
    if (inText) {
      if (byte === ESCAPE) i++;
      else if (byte === QUOTE) inText = false;
    } else if (byte === QUOTE) inText = true;
    else if (byte === COMMA) count++;
    else if (OPENING.has(byte)) {
      open++;
      count++;
      if (open > depth) return `is nested deeper than ${depth} levels`;
    } else if (CLOSING.has(byte)) open--;
    if (count > values) return `holds more than ${values} values`;
  }
  return undefined;
}

/** Thrown where the parser would overwrite the status of a problem. */
export class BodyRefused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }
}

function parserOf(bounds: BodyBounds): RequestHandler {
  return express.json({
    limit: bounds.bytes,
    inflate: false,
    verify: (_request, _response, json) => {
      const excess = excessOf(json, bounds);
      if (excess !== undefined) throw new BodyRefused(new Problem(413, 'too-large', 'Too much at once', `What was sent ${excess}.`));
    },
  });
}

/**
 * Reads the body of a request once it is known whose it is and where it goes: by the bounds of its route, so that
 * nobody without a session makes the server read more than a sign-in.
 */
@Injectable()
export class BodyInterceptor implements NestInterceptor {
  private readonly parsers = new Map<BodyBounds, RequestHandler>();

  constructor(private readonly reflector: Reflector) {}

  async intercept(context: ExecutionContext, next: CallHandler): Promise<Observable<unknown>> {
    const http = context.switchToHttp();
    const bounds = this.reflector.getAllAndOverride<BodyBounds | undefined>(BOUNDS, [context.getHandler(), context.getClass()]);
    await this.read(http.getRequest<Request>(), http.getResponse<Response>(), bounds ?? ORDINARY_BODY);
    return next.handle();
  }

  private read(request: Request, response: Response, bounds: BodyBounds): Promise<void> {
    const parser = this.parsers.get(bounds) ?? parserOf(bounds);
    this.parsers.set(bounds, parser);
    return new Promise((resolve, reject) => {
      parser(request, response, (error?: unknown) => {
        if (error === undefined) resolve();
        // What the parser throws has its status and kind, and is told by the filter.
        else reject(error instanceof Error ? error : new Error('The body could not be read'));
      });
    });
  }
}
