import { InRig, pressedFor, type PieceInRig, type Pressed } from '../../carriers/index.ts';
import { Batch, temperaturesFor, zoneOf, type AtStep } from '../../batches/index.ts';
import type { Factory, RigCarrier } from '../../factory/index.ts';
import { asked, NOT_ANSWERED, refuse, wrongInput, type Answers, type Asked, type Finding, type Refused } from '../../ledger/index.ts';
import { Temperatures, type Override } from '../../routing/index.ts';

export interface RigRequest {
  rigId: string;
  personId: string;
}

export const rigAsked = ({ rigId }: { rigId: string }): Asked => asked(InRig, { rigId });

/** Who else is in a load that is closed over all, as far as anybody could say. */
export function othersTogether({ batchId, rigId }: { batchId: string; rigId: string }, answers: Answers): string[] {
  const there = answers.to(InRig, { rigId });
  if (there === NOT_ANSWERED) return [];
  return [...new Set(there.flatMap((p) => (p.stay.place === null && p.batchId !== batchId ? [p.batchId] : [])))];
}

/** What speaks against doing something with what a batch has in a rig, where it has nothing there. */
export function nothingIn(rigId: string, { batch, live, factory }: Pick<AtStep, 'batch' | 'live' | 'factory'>): Refused | undefined {
  const rig = factory.rig(rigId);
  if (!rig) return wrongInput('rigId', `There is no rig ${rigId}`);
  return live.some((p) => p.inRig === rigId) ? undefined : refuse(`Nothing of ${batch.id} is in ${rig.name}`);
}

/** What speaks against acting on all that is in a rig, where somebody has put more in since it was asked who is. */
export const newcomersIn = (there: readonly PieceInRig[], { rows }: Pick<AtStep, 'rows'>): Refused | undefined =>
  there.some((p) => !rows.find(Batch, p.batchId)) ? refuse('Somebody has just put more in: look again', { rule: 'places' }) : undefined;

/** A rig with what is in it; or why nothing can be said of it. */
export function rigAt(
  rigId: string,
  { factory, answers }: Pick<AtStep, 'factory' | 'answers'>,
): Refused | { kind: 'rig'; rig: RigCarrier; there: readonly PieceInRig[] } {
  const rig = factory.rig(rigId);
  if (!rig) return wrongInput('rigId', `There is no rig ${rigId}`);
  const there = answers.to(InRig, { rigId });
  if (there === NOT_ANSWERED) return refuse(`Nobody could say what is in ${rig.name}`, { rule: 'places' });
  return { kind: 'rig', rig, there };
}

const OVERRIDE_REASON_LENGTH = 5;

/** What stands against it, with the reason that sets it aside; null where nothing does. */
export function overrideOf({ overrideReason }: { overrideReason?: string }, findings: readonly Finding[]): Refused | Override | null {
  if (findings.length === 0) return null;
  if (overrideReason === undefined) return { kind: 'refuse', because: [...findings] };
  const reason = overrideReason.trim();
  if (reason.length < OVERRIDE_REASON_LENGTH) return wrongInput('overrideReason', 'An override needs a reason that others will understand');
  return { reason, findings };
}

const warmth = (batch: Batch, factory: Factory, nowMs: number) => temperaturesFor(batch, zoneOf(batch, factory), nowMs, false);

export const warmthAsked = ({ batch, factory, nowMs }: Pick<AtStep, 'batch' | 'factory' | 'nowMs'>): Asked =>
  asked(Temperatures, warmth(batch, factory, nowMs));

/** How far what is in a rig has come; null while it is open. Where nobody could say how warm it was, nothing has. */
export function pressedIn({ stay }: PieceInRig, { batch, factory, nowMs, answers }: AtStep): Pressed | null {
  if (stay.closedMs === null || stay.laws === null) return null;
  const temperatures = answers.to(Temperatures, warmth(batch, factory, nowMs));
  return pressedFor(stay.laws.out, stay.closedMs, nowMs, temperatures === NOT_ANSWERED ? [] : temperatures);
}
