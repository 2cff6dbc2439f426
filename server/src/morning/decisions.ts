import { boothObjections, counted, lifeGone, NEARLY_OVER, pieceWord, STAGES, type AirSample, type Stage } from '@ample-crane/core';
import type { BatchView } from '../batches/batch.view.ts';
import type { ClassedBatchView } from '../flow/classes.dto.ts';
import type { DeviceView } from '../devices/devices.dto.ts';
import type { FactoryNow } from '../factory/factory.service.ts';
import type { CutterView } from '../machining/cutters.dto.ts';
import type { ProgramsView } from '../machining/programs.dto.ts';
import type { DimensionView } from '../quality/dimensions.dto.ts';
import type { LotView } from '../timber/lot.dto.ts';
import type { DecisionView } from './morning.dto.ts';

/** What the stages tell of themselves, as far as somebody may have to decide on it. */
export interface Standing {
  batches: readonly BatchView[];
  lots: readonly LotView[];
  dimensions: readonly DimensionView[];
  programs: ProgramsView;
  cutters: readonly CutterView[];
  /** those that somebody should look after */
  devices: readonly DeviceView[];
  /** trials that have ended, and nobody has said what they showed */
  unjudged: readonly ClassedBatchView[];
  /** what was last read in the booth */
  boothAir: AirSample | undefined;
}

/** What waits for somebody's decision, in walking order. */
export function decisionsOn(
  { batches, lots, dimensions, programs, cutters, devices, unjudged, boothAir }: Standing,
  factory: FactoryNow,
  nowMs: number,
): DecisionView[] {
  const decisions: DecisionView[] = [...programDecisions(programs), ...cutterDecisions(cutters), ...deviceDecisions(devices, factory)];
  for (const lot of lots) {
    if (lot.verdict === 'pass')
      decisions.push({
        stage: 'woodRoom',
        act: 'release',
        subject: 'lot',
        id: lot.id,
        version: lot.version,
        sentence: `Release lot ${lot.id} (${lot.species}) to the mill`,
        way: null,
        findings: lot.findings,
      });
    else if (lot.ready?.kind === 'not in this room')
      decisions.push({
        stage: 'woodRoom',
        act: 'look',
        subject: 'lot',
        id: lot.id,
        version: lot.version,
        sentence: `Lot ${lot.id} (${lot.species}) will not get there: its room tends to ${apart(lot.ready.emcPct, lot.band)} %, the band is ${lot.band.low.toFixed(1)}–${lot.band.high.toFixed(1)} %`,
        way: null,
        findings: lot.findings,
      });
  }
  for (const batch of batches) {
    const what = `${batch.id} (${batch.quantity} ${batch.modelName} ${pieceWord(batch.quantity, batch.component)})`;
    const common = {
      stage: batch.stage,
      subject: 'batch' as const,
      id: batch.id,
      version: batch.version,
      way: null,
      findings: batch.findings,
    };
    // Its time in a rig is over, and it is in it still.
    const free = batch.findings.find((f) => f.rule === 'pressed' && f.verdict === 'wait' && f.done === 1);
    const noRoom = batch.findings.find((f) => f.rule === 'places' && f.verdict === 'wait');
    if (batch.status === 'held') decisions.push({ ...common, act: 'hold', sentence: `${what} is held: ${batch.holdReason ?? ''}` });
    else if (batch.missing.length > 0)
      decisions.push({
        ...common,
        act: 'look',
        findings: batch.missing,
        sentence: `${what} cannot begin ${batch.operationName.toLowerCase()}: ${batch.missing.map((f) => f.sentence).join('; ')}`,
      });
    else if (batch.status !== 'dwelling' && batch.status !== 'finished') continue;
    else if (batch.acceptFor !== null)
      decisions.push({
        ...common,
        act: 'answer',
        sentence: `${what} waits for someone with ${batch.acceptFor} to accept ${batch.operationName.toLowerCase()}`,
      });
    else if (batch.question !== null && batch.verdict === 'pass')
      decisions.push({ ...common, act: 'answer', sentence: `${what} at ${batch.operationName.toLowerCase()}. ${batch.question}` });
    else if (batch.verdict === 'pass') {
      const way = `from ${batch.stationName} to ${batch.nextOperationName ?? 'the next step'}`;
      decisions.push({ ...common, act: 'move', sentence: `Move ${what} ${way}`, way });
    } else if (free)
      decisions.push({ ...common, act: 'look', sentence: `${what}: ${free.sentence.charAt(0).toLowerCase()}${free.sentence.slice(1)}` });
    else if (noRoom) decisions.push({ ...common, act: 'look', sentence: `${what} has no room ahead: ${noRoom.sentence}` });
    else if (batch.verdict === 'stop') decisions.push({ ...common, act: 'look', sentence: `${what} is stopped at ${batch.operationName}` });
  }
  for (const { id, name, modelName, stage, signal } of dimensions)
    if (signal)
      decisions.push({
        stage: STAGES.find((s) => s === stage) ?? 'machining',
        act: 'look',
        subject: 'dimension',
        id,
        version: 0,
        sentence: `${name} of ${modelName} is out of control: ${signal.sentence}`,
        way: null,
        findings: [],
      });
  for (const { batchId, what, stage } of unjudged)
    decisions.push({
      ...SAID,
      stage,
      subject: 'batch',
      id: batchId,
      act: 'answer',
      sentence: `Trial ${batchId} (${what}) has ended: nobody has said what it showed`,
    });
  if (boothAir) {
    const objections = boothObjections(boothAir, nowMs, factory.setUp.settings.sprayLimits);
    if (objections.length > 0)
      decisions.push({
        stage: 'finishing',
        act: 'hold',
        subject: 'zone',
        id: factory.setUp.settings.factory.boothZoneId,
        version: 0,
        sentence: `Hold spraying: ${objections.join('. ')}`,
        way: null,
        findings: [],
      });
  }
  const order = (stage: Stage) => STAGES.indexOf(stage);
  return decisions.sort((a, b) => order(a.stage) - order(b.stage));
}

const SAID = { act: 'look' as const, version: 0, way: null, findings: [] };

/** Programs that orders wait for, each with who writes it and what can be done meanwhile. */
function programDecisions({ programs, unasked }: ProgramsView): DecisionView[] {
  const known = programs.flatMap((p) =>
    p.wanted ? [{ ...p, wanted: p.wanted, who: p.owner === null ? 'nobody writes it' : `${p.owner} writes it` }] : [],
  );
  const others = unasked.map((u) => ({ ...u, id: null, serves: [], who: 'nobody has asked for it' }));
  return [...known, ...others].map(({ id, what, modelName, serves, who, wanted: { stage, stepName, orders, otherWays } }) => ({
    ...SAID,
    stage,
    subject: 'program' as const,
    id: id ?? '',
    sentence: [
      `Program “${what}” of ${modelName}${serves.length > 0 ? ` (${serves.join(', ')})` : ''}: ${counted(orders.length, 'order waits', 'orders wait')}, ${who}`,
      ...(otherWays.length > 0
        ? [`meanwhile ${stepName.toLowerCase()} ${otherWays.map((w) => `${w.name.toLowerCase()} at ${w.stationName}`).join(', or ')}`]
        : []),
    ].join('; '),
  }));
}

/** Cutters on machines whose life is over, or nearly. */
function cutterDecisions(cutters: readonly CutterView[]): DecisionView[] {
  return cutters
    .filter((c) => c.state === 'mounted' && lifeGone(c) >= NEARLY_OVER)
    .map((c) => {
      const spare = cutters.find((other) => other.kind === c.kind && other.state === 'ready');
      return {
        ...SAID,
        stage: 'machining' as const,
        subject: 'cutter' as const,
        id: c.id,
        sentence: `Cutter ${c.id} (${c.kind}) at ${c.stationName ?? ''}: ${c.usedMinutes.toFixed(0)} of ${c.lifeMinutes.toFixed(0)} min of its life are gone; ${spare ? `${spare.id} lies sharp on the shelf` : 'no sharp one lies on the shelf'}`,
      };
    });
}

/** Sensors and controllers that do not speak as they should: what rests on them is not known. */
function deviceDecisions(devices: readonly DeviceView[], factory: FactoryNow): DecisionView[] {
  const stations = [...factory.setUp.stations.values()];
  return devices.map(({ id, name, stationCode, zoneId, troubles }) => ({
    ...SAID,
    stage: stations.find((s) => (stationCode === null ? s.zoneId === zoneId : s.code === stationCode))?.stage ?? 'woodRoom',
    subject: 'device' as const,
    id,
    sentence: `${name}: ${troubles.join('; ')}`,
  }));
}

/** A figure outside a band, told so finely that it does not read as its edge. */
function apart(pct: number, { low, high }: { low: number; high: number }): string {
  const told = pct.toFixed(1);
  return told === low.toFixed(1) || told === high.toFixed(1) ? pct.toFixed(2) : told;
}
