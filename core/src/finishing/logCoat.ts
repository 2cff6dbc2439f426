import { Batch, OVERRIDE_ROLE, zoneOf } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import {
  asked,
  commandKind,
  mayActAs,
  NOT_ANSWERED,
  refuse,
  rowsOf,
  worst,
  wrongInput,
  type Answers,
  type Decision,
  type Decided,
  type Finding,
} from '../ledger/index.ts';
import { AirNow, CoatsOn, evaluateGate, type Operation, type Rule } from '../routing/index.ts';
import type { CoatLogged } from './coatLogged.ts';
import { dryFilmUm } from './film.ts';

export interface LogCoatRequest {
  batchId: string;
  wetUm: number;
  overrideReason?: string;
}

/** What must be known before a coat is sprayed: what is on each piece since it came, and the booth's air. */
export const coatAsks = (batch: Batch, factory: Factory) => [
  asked(CoatsOn, { batchId: batch.id }),
  asked(AirNow, { zoneId: zoneOf(batch, factory) }),
];

/** Whether a coat may be sprayed on a batch now. */
export function coatFindings(batch: Batch, operation: Operation, factory: Factory, nowMs: number, answers: Answers): Finding[] {
  if (!operation.coat) return [];
  const laid = answers.to(CoatsOn, { batchId: batch.id });
  const air = answers.to(AirNow, { zoneId: zoneOf(batch, factory) });
  // The first coat of a pass follows none; a piece without one keeps no other waiting.
  const lastCoats = laid === NOT_ANSWERED ? undefined : laid.flatMap(({ last }) => last ?? []);
  const window: Rule = {
    kind: 'window',
    minimumMinutes: operation.coat.flashMinutes,
    maximumMinutes: operation.coat.recoatMaxMinutes,
    afterwards: 'Scuff sand before the next coat',
  };
  return evaluateGate([...(lastCoats?.length === 0 ? [] : [window]), { kind: 'climate', limits: factory.setUp.settings.sprayLimits }], {
    nowMs,
    ...(lastCoats ? { lastCoats } : {}),
    ...(air === NOT_ANSWERED ? {} : { air }),
  });
}

/** A coat is sprayed on every piece of a batch's present pass. */
export const LogCoat = commandKind('log coat')<LogCoatRequest, Factory>({
  role: 'operator',
  objection: ({ overrideReason }, by) =>
    overrideReason !== undefined && !mayActAs(by.role, OVERRIDE_ROLE)
      ? `Spraying against a finding needs a ${OVERRIDE_ROLE} or above.`
      : null,
  concerns: ({ batchId }) => ({ about: [rowsOf(Batch, [batchId])] }),
  notBefore: ({ batchId }, rows) => ({
    atMs: rows.get(Batch, batchId).arrivedMs,
    because: `Batch ${batchId} came to the booth only after that`,
  }),
  asks({ batchId }, { rows, factory }) {
    const batch = rows.get(Batch, batchId);
    return coatAsks(batch, factory);
  },
  decide({ batchId, wetUm, overrideReason }, { rows, factory, nowMs, answers }): Decision<Decided<typeof CoatLogged>> {
    const batch = rows.get(Batch, batchId);
    const operation = factory.operationAt(batch);
    const { coat } = operation;
    if (!coat) return refuse(`${operation.name} lays no coats`);
    if (batch.status !== 'running') return refuse(`${operation.name} is not running; start it first`);
    const laid = answers.to(CoatsOn, { batchId });
    if (laid === NOT_ANSWERED) return refuse('Nobody could say how many coats it has');
    if (laid.some(({ last }) => last?.atMs === nowMs)) return refuse('A coat was logged at this very moment');
    const findings = coatFindings(batch, operation, factory, nowMs, answers);
    const against = findings.filter((f) => f.verdict !== 'pass');
    if (against.length > 0 && overrideReason === undefined) return { kind: 'refuse', because: against };
    if (against.length > 0 && overrideReason?.trim() === '') return wrongInput('overrideReason', 'Say why it is sprayed all the same');
    return {
      kind: 'accept',
      entries: [
        {
          kind: 'coat.logged',
          batchId,
          payload: {
            coatId: `${batch.visitId}@${nowMs}`,
            operationId: operation.id,
            materialId: coat.materialId,
            wetUm,
            dryUm: Math.round(dryFilmUm(wetUm, coat.volumeSolids) * 10) / 10,
            flashMinutes: coat.flashMinutes,
            override: worst(findings) === 'pass' ? null : { reason: overrideReason ?? '', findings },
          },
        },
      ],
    };
  },
});
