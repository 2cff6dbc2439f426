import type { RequestHandler, Response } from 'express';
import type { Environment } from '../settings/environment.ts';

function turnAway(response: Response, status: number, problem: { type: string; title: string; detail: string }): void {
  response
    .status(status)
    .type('application/problem+json')
    .json({ ...problem, type: `urn:ample-crane:${problem.type}`, status });
}

/** Answers only to the names it has been given: a page elsewhere cannot lead browsers here under a name of its own. */
export function answerTo({ hosts, publicUrl }: Pick<Environment, 'hosts' | 'publicUrl'>): RequestHandler {
  return (request, response, next) => {
    if (!hosts || hosts.has((request.header('Host') ?? '').toLowerCase())) {
      next();
      return;
    }
    turnAway(response, 421, {
      type: 'host',
      title: 'Another address',
      detail: `This is reached at ${publicUrl?.origin ?? 'another address'}.`,
    });
  };
}

/** Sends people away for a moment when more is asked than can be answered, instead of letting all wait without end. */
export function shedLoad(most: number, onShed: () => void = () => undefined): RequestHandler {
  let atWork = 0;
  return (request, response, next) => {
    // Streams of events wait by nature, and have a bound of their own.
    if (request.path.endsWith('/events')) {
      next();
      return;
    }
    if (atWork >= most) {
      onShed();
      response.setHeader('Retry-After', '1');
      turnAway(response, 503, {
        type: 'busy',
        title: 'Too much at once',
        detail: 'The server is busy. Nothing was saved; try again in a moment.',
      });
      return;
    }
    atWork++;
    response.once('close', () => atWork--);
    next();
  };
}
