import type { CommandKind, Sight, Written } from './command.ts';
import type { Decision } from './decision.ts';
import { Answers, type Asked } from './question.ts';

/** Judges a command where every question is answered at once, out of what is at hand. */
export function judge<Name extends string, Request, Factory>(
  command: CommandKind<Name, Request, Factory>,
  request: Request,
  sight: Sight<Factory>,
  answer: (asked: Asked) => unknown,
): Decision<Written> {
  const known = (asks: readonly Asked[]) => asks.reduce((all, ask) => all.put(ask, answer(ask)), new Answers());
  const first = known(command.first(request));
  const answers = command.asks(request, sight).reduce((all, ask) => all.put(ask, answer(ask)), first);
  return command.decide(request, { ...sight, answers });
}
