import { kitIdsOf, SetsOf, shortOf } from '../assembly/index.ts';
import { asked, NOT_ANSWERED, type Answers, type Asked, type Finding, type NotAnswered } from '../ledger/index.ts';
import type { Factory } from '../factory/index.ts';
import {
  AirNow,
  CuttersAt,
  evaluateGate,
  looksAt,
  needsOf,
  programAsked,
  ProgramFor,
  Temperatures,
  type Evidence,
  type Operation,
} from '../routing/index.ts';
import { DAY_MS } from '../units/index.ts';
import type { Batch } from './batch.ts';
import { ControlOf, LastCoats, MeasuresOf, StaysOf } from './evidence.ts';
import { pressedAt, pressedIn } from './stays.ts';

const FORTNIGHT_MS = 14 * DAY_MS;

/** What the gate of a batch's step must be told. */
export function gateAsks(batch: Batch, operation: Operation, factory: Factory, nowMs: number): Asked[] {
  const zoneId = zoneOf(batch, factory);
  const needs = new Set(operation.gate.flatMap(needsOf));
  return [
    ...(needs.has('temperatures') ? [asked(Temperatures, temperaturesFor(batch, zoneId, nowMs, cures(operation)))] : []),
    ...(needs.has('air') ? [asked(AirNow, { zoneId })] : []),
    ...(needs.has('lastCoats') ? [asked(LastCoats, { batchId: batch.id })] : []),
    ...(needs.has('shortParts') ? [setsAsked(batch, factory)] : []),
    ...(needs.has('programs') ? programsAsked(batch, operation, factory) : []),
    ...(needs.has('cutters') ? cutterStations(operation).map((stationCode) => asked(CuttersAt, { stationCode })) : []),
    ...(needs.has('control') ? [asked(ControlOf, controlFor(batch, operation, factory))] : []),
    ...(needs.has('pressed') || needs.has('glued') ? [asked(StaysOf, { batchId: batch.id })] : []),
    ...(needs.has('measures') || needs.has('courses') ? [asked(MeasuresOf, { batchId: batch.id })] : []),
  ];
}

const setsAsked = ({ modelId }: Batch, factory: Factory): Asked =>
  asked(SetsOf, { kitIds: kitIdsOf(factory.setUp.prerequisites, modelId) });

/** The programs that the rules of a gate name. */
const programNames = ({ gate }: Operation): string[] => gate.flatMap((rule) => (rule.kind === 'programReleased' ? [rule.what] : []));
const programsAsked = (batch: Batch, operation: Operation, factory: Factory): Asked[] =>
  programNames(operation).map((what) => asked(ProgramFor, programAsked(what, batch, factory.routeOf(batch).options ?? [])));
/** The stations whose cutters they look at. */
const cutterStations = ({ gate }: Operation): string[] => [
  ...new Set(gate.flatMap((rule) => (rule.kind === 'cutterWithinLife' ? [rule.stationCode] : []))),
];

/** What was answered of each of some things, by their names; nothing where none is asked about. */
function answered<Key extends string, Answer>(
  key: Key,
  names: readonly string[],
  of: (name: string) => Answer | NotAnswered,
): { [K in Key]?: Record<string, Answer> } {
  if (names.length === 0) return {};
  const known = names.flatMap((name) => {
    const answer = of(name);
    return answer === NOT_ANSWERED ? [] : [[name, answer] as const];
  });
  // The key is the one that was named.
  return { [key]: Object.fromEntries(known) } as { [K in Key]?: Record<string, Answer> };
}

/** The evidence for it, as far as it was answered. */
export function gateEvidence(batch: Batch, factory: Factory, nowMs: number, answers: Answers): Evidence {
  const zoneId = zoneOf(batch, factory);
  const operation = factory.operationAt(batch);
  const temperatures = answers.to(Temperatures, temperaturesFor(batch, zoneId, nowMs, cures(operation)));
  const air = answers.to(AirNow, { zoneId });
  const lastCoats = answers.to(LastCoats, { batchId: batch.id });
  const control = answers.to(ControlOf, controlFor(batch, factory.operationAt(batch), factory));
  const measures = answers.to(MeasuresOf, { batchId: batch.id });
  const stays = answers.to(StaysOf, { batchId: batch.id });
  const kitIds = kitIdsOf(factory.setUp.prerequisites, batch.modelId);
  const sets = kitIds.length === 0 ? [] : answers.to(SetsOf, { kitIds });
  return {
    nowMs,
    sinceMs: batch.arrivedMs,
    signOffs: batch.signOffs.map((s) => ({ skill: s.skill, by: factory.personName(s.personId) })),
    ...(sets === NOT_ANSWERED ? {} : { shortParts: [...factory.shortKits(batch.modelId), ...shortOf(batch.quantity, sets)] }),
    ...answered('programs', programNames(operation), (what) =>
      answers.to(ProgramFor, programAsked(what, batch, factory.routeOf(batch).options ?? [])),
    ),
    ...answered('cutters', cutterStations(operation), (stationCode) => answers.to(CuttersAt, { stationCode })),
    ...(temperatures === NOT_ANSWERED ? {} : { temperatures }),
    ...(air === NOT_ANSWERED ? {} : { air }),
    ...(lastCoats === NOT_ANSWERED ? {} : { lastCoats }),
    ...(control === NOT_ANSWERED ? {} : control),
    ...(measures === NOT_ANSWERED ? {} : measures),
    ...(stays === NOT_ANSWERED
      ? {}
      : {
          pressed: stays.map((stay) => pressedAt(stay, operation, factory)),
          glued: stays.map((stay) => stay && pressedIn(stay, factory)),
        }),
  };
}

/** The characteristics that a step's gate looks at, wherever the batch's route measures them. */
function controlFor({ modelId, routeId, facts }: Batch, { gate }: Operation, factory: Factory) {
  const wanted = new Set(gate.flatMap(looksAt).map((l) => l.characteristic));
  if (wanted.size === 0) return { modelId, measured: [] };
  const measured = factory
    .routeOf({ routeId, facts })
    .operations.flatMap(({ id, characteristics = [] }) =>
      characteristics.flatMap((c) => (wanted.has(c.id) ? [{ operationId: id, characteristicId: c.id }] : [])),
    );
  return { modelId, measured };
}

/** The findings of the gate that a batch must pass to leave its step. */
export function gateFindings(batch: Batch, operation: Operation, evidence: Evidence): Finding[] {
  const signOffs = evidence.signOffs ?? batch.signOffs.map((s) => ({ skill: s.skill, by: s.personId }));
  return evaluateGate(operation.gate, { ...evidence, signOffs, sinceMs: batch.arrivedMs });
}

/** Where a batch waits: at its station; what has none lies in the wood room. */
export const zoneOf = (batch: Batch, factory: Factory): string =>
  factory.zoneOf(batch.stationCode) ?? factory.setUp.settings.factory.woodRoomZoneId;

const cures = ({ gate }: Operation): boolean => gate.some((rule) => rule.kind === 'equivalent');

/** Glue that was closed in its clamps before a batch came has had its time within so many days. */
const GLUED_MS = 4 * DAY_MS;

/** Since it came, and the last fortnight, by which its room's days ahead are told; of glue the days before. */
export const temperaturesFor = (batch: Batch, zoneId: string, nowMs: number, isCure = true) => ({
  zoneId,
  fromMs: isCure ? Math.min(batch.arrivedMs, nowMs - FORTNIGHT_MS) : batch.arrivedMs - GLUED_MS,
  toMs: nowMs,
});
