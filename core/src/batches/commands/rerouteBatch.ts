import { refuse, wrongInput } from '../../ledger/index.ts';
import { sameStepIn } from '../../routing/index.ts';
import { accept } from '../decided.ts';
import { gateAsks, gateEvidence, gateFindings } from '../gate.ts';
import { onBatch } from './onBatch.ts';

/** Moves work in progress to another version of its route, on purpose. */
export const RerouteBatch = onBatch('reroute batch')<{ routeId: string; operationId: string; reason: string }>({
  role: 'lead',
  asks: (_, at) => gateAsks(at.batch, at.operation, at.factory, at.nowMs),
  decide({ routeId, operationId, reason }, { batch, operation, route, factory, nowMs, answers }) {
    if (!factory.releasedVersion(routeId)) return wrongInput('routeId', `There is no released route ${routeId}`);
    const toRoute = factory.routeOf({ routeId, facts: batch.facts });
    if (reason.trim() === '') return wrongInput('reason', 'Say why it is moved');
    if (toRoute.id === batch.routeId) return refuse(`Batch ${batch.id} is on this version already`);
    if (toRoute.modelId !== batch.modelId) return refuse('That route is of another model');
    if (batch.status === 'running' || batch.status === 'paused' || batch.status === 'away')
      return refuse(`Batch ${batch.id} is ${batch.status}; it can be moved between two steps`);
    const to = sameStepIn(route, batch.operationId, toRoute);
    if (!to) return refuse('The two versions share no step from here on');
    if (to.id !== operationId) return wrongInput('operationId', `On that version batch ${batch.id} stands at "${to.name}"`);
    // A new version is no way round a gate.
    const stays = to.id === operation.id && to.kind === operation.kind;
    const atGate = !stays && (batch.status === 'dwelling' || batch.status === 'finished');
    const findings = atGate ? gateFindings(batch, operation, gateEvidence(batch, factory, nowMs, answers)) : [];
    const because = findings.filter((f) => f.verdict !== 'pass');
    if (because.length > 0) return { kind: 'refuse', because };
    return accept({ kind: 'batch.rerouted', payload: { routeId: toRoute.id, operationId: to.id, reason: reason.trim() } });
  },
});
