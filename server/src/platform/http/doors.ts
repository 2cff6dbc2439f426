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

interface Bounds {
  /** requests at work at once */
  most: number;
  /** of those, at the door: sign-ins, whose bodies may come as slowly as a stranger likes */
  atDoor: number;
  /** of those, from one address */
  fromOne: number;
}

/** Of all that has a place, what strangers may fill. */
export const boundsOf = (most: number): Bounds => ({ most, atDoor: Math.ceil(most / 8), fromOne: Math.ceil(most / 32) });

const AT_DOOR = /^\/api\/(session|session\/reset|first-administrator)\/?$/;

/**
 * Sends people away for a moment when more is asked than can be answered, instead of letting all wait without end.
 * Strangers at the door take no place from those who are in.
 */
export function shedLoad({ most, atDoor, fromOne }: Bounds, onShed: () => void = () => undefined): RequestHandler {
  let atWork = 0;
  /** requests at the door, by address; those that are over are taken out */
  const door = new Map<string, number>();
  let atDoorNow = 0;
  return (request, response, next) => {
    // Streams of events wait by nature, and have a bound of their own.
    if (request.path.endsWith('/events')) {
      next();
      return;
    }
    const address = request.method === 'POST' && AT_DOOR.test(request.path) ? (request.ip ?? '') : undefined;
    const fromThere = address === undefined ? 0 : (door.get(address) ?? 0);
    if (address === undefined ? atWork >= most : atDoorNow >= atDoor || fromThere >= fromOne) {
      onShed();
      response.setHeader('Retry-After', '1');
      turnAway(response, 503, {
        type: 'busy',
        title: 'Too much at once',
        detail: 'The server is busy. Nothing was saved; try again in a moment.',
      });
      return;
    }
    if (address === undefined) {
      atWork++;
      response.once('close', () => atWork--);
    } else {
      atDoorNow++;
      door.set(address, fromThere + 1);
      response.once('close', () => {
        atDoorNow--;
        const left = (door.get(address) ?? 1) - 1;
        if (left === 0) door.delete(address);
        else door.set(address, left);
      });
    }
    next();
  };
}
