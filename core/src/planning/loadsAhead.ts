import { machineIdOf, placesOf, type Batch, type Job, type Machine, type RunTimes } from '../batches/index.ts';
import type { Factory } from '../factory/index.ts';
import {
  BATCHES_FOR_A_PLAN,
  plannedLoadMinutes,
  programFor,
  timeTruths,
  type Cutter,
  type LoadItem,
  type LoadMachine,
  type LoadOrder,
  type LoadProblem,
  type LoadWay,
  type Program,
  type SetUpFor,
} from '../machining/index.ts';
import type { WorkingTime } from '../maths/index.ts';
import { OWN_WAY, programAsked, programsIn, touchMinutes, waysOf, type Operation } from '../routing/index.ts';
import { MINUTE_MS } from '../units/index.ts';
import { forecastRoute } from './forecast.ts';

/** All that a plan of loads rests on. */
export interface LoadsAsked {
  /** batches in work */
  batches: readonly Batch[];
  /** how many pieces the present pass of each that waits is about; all of them where nothing is said */
  inPass: ReadonlyMap<string, number>;
  /** work that goes on at the machines */
  jobs: readonly Job[];
  programs: readonly Program[];
  times: readonly RunTimes[];
  cutters: readonly Cutter[];
  /** what was left on machines */
  machines: readonly Machine[];
  orders: readonly LoadOrder[];
  nowMs: number;
  /** working time from before the oldest of the jobs until as far as anything is due */
  time: WorkingTime;
}

/** A machine, or a bench where its work is done another way. */
export interface LoadPlace {
  stationCode: string;
  bench: number;
  /** programs run there; benches are planned only where they help out */
  isMachine: boolean;
}

/** What a plan is made of, with what its parts stand for. */
export interface LoadsAhead {
  problem: LoadProblem;
  places: ReadonlyMap<string, LoadPlace>;
  /** whether the minutes of a program were observed, by what it is set up as */
  observed: ReadonlySet<string>;
  /** how many more wait, and are due after all of these */
  later: number;
}

/** So many are put in order, the earliest due first: what comes after them will be planned when it is nearer. */
export const PLANNED_MOST = 60;

/** The stations at which some route in force runs a program. */
export function machineStations(factory: Factory, atMs: number): string[] {
  const steps = [...factory.setUp.models.keys()].flatMap((id) => factory.routeInForce(id, atMs)?.operations ?? []);
  const run = new Set(steps.flatMap((s) => (programsIn(s.needs).length > 0 ? [s.stationCode] : [])));
  return [...factory.setUp.stations.keys()].filter((code) => run.has(code));
}

/** What a program, in one of its revisions, is called where machines are set up. */
export const setUpKey = (programId: string, revision: string): string => `${programId} ${revision}`;

const LEAST_LEFT_MINUTES = 5;

/** What waits for the machines, where it can go, how long it takes there and when it must be off. */
export function loadsAhead(asked: LoadsAsked, factory: Factory): LoadsAhead {
  const { batches, inPass, jobs, orders, nowMs, time } = asked;
  const codes = new Set(machineStations(factory, nowMs));
  const observed = new Set<string>();
  const waiting = batches.filter((b) => b.status === 'queued' && codes.has(factory.operationAt(b).stationCode));
  const pinned = new Set(orders.flatMap((o) => o.batchIds));
  const near = [...waiting]
    .sort((a, b) => Number(pinned.has(b.id)) - Number(pinned.has(a.id)) || dueOf(a) - dueOf(b) || a.number - b.number)
    .slice(0, PLANNED_MOST);
  const items = near.map((batch): LoadItem => {
    const operation = factory.operationAt(batch);
    const ways = waysOf(operation).flatMap((way) => {
      const of = way.id === OWN_WAY ? ownWay(batch, operation, asked, factory, observed) : anotherWay(batch, operation, way);
      return of === null
        ? []
        : placesOf(way.stationCode, factory).map((bench) => ({ machineId: machineIdOf(way.stationCode, bench), ...of }));
    });
    return {
      id: batch.id,
      pieces: inPass.get(batch.id) ?? batch.quantity,
      readyMinute: 0,
      dueMinute: dueMinuteOf(batch, asked, factory),
      ways,
    };
  });
  const used = new Set([...codes, ...items.flatMap((i) => i.ways.map((w) => w.machineId.slice(0, w.machineId.lastIndexOf('#'))))]);
  const places = new Map(
    [...factory.setUp.stations.keys()]
      .filter((code) => used.has(code))
      .flatMap((stationCode) =>
        placesOf(stationCode, factory).map(
          (bench) => [machineIdOf(stationCode, bench), { stationCode, bench, isMachine: codes.has(stationCode) }] as const,
        ),
      ),
  );
  const worked = (job: Job) => time.between(job.fromMs, nowMs) / MINUTE_MS;
  const machines = [...places].map(([id, { stationCode, bench, isMachine }]): LoadMachine => {
    const job = jobs.find((j) => j.openAt === stationCode && j.bench === bench);
    const goingOn = job ? batches.filter((b) => b.jobId === job.id) : [];
    const minutes = (all: readonly Batch[]) =>
      all.reduce((sum, b) => sum + touchMinutes(factory.operationAt(b), b.quantity, b.stationCode), 0);
    const left = job ? Math.max(LEAST_LEFT_MINUTES, minutes(goingOn) - worked(job)) : 0;
    // A bench has work of its own, which what comes over waits for.
    const own = isMachine
      ? 0
      : minutes(batches.filter((b) => b.status === 'queued' && b.stationCode === stationCode)) / placesOf(stationCode, factory).length;
    return { id, freeMinute: left + own, left: leftOn(id, asked), pinned: orders.find((o) => o.id === id)?.batchIds ?? [] };
  });
  return { problem: { items, machines }, places, observed, later: waiting.length - near.length };
}

/** Far beyond any due date, and still a number that can be taken from itself. */
const NEVER_MS = Number.MAX_SAFE_INTEGER;
const dueOf = ({ dueMs }: Batch): number => dueMs ?? NEVER_MS;

/** What was left on a machine, with the cutters that are on it. */
function leftOn(id: string, { machines, cutters }: LoadsAsked): LoadMachine['left'] {
  const left = machines.find((m) => m.id === id);
  if (!left) return null;
  const on = cutters.filter((c) => c.stationCode === left.stationCode && c.bench === left.bench).map((c) => c.kind);
  return { program: setUpKey(left.programId, left.revision), fixture: left.fixture, cutters: on };
}

type WayOf = Omit<LoadWay, 'machineId'>;

/** How a step is done at its own machine; null where its program may not run. */
function ownWay(
  batch: Batch,
  operation: Operation,
  { programs, times }: LoadsAsked,
  factory: Factory,
  observed: Set<string>,
): WayOf | null {
  const [need] = programsIn(operation.needs);
  if (!need) return plainWay(`${batch.modelId}/${operation.id}`, operation);
  const program = programFor(programs, programAsked(need.what, batch, factory.routeOf(batch).options ?? []));
  const revision = programs.find((p) => p.id === program?.id)?.revisions.find((r) => r.name === program?.toRun?.name);
  if (!program || !revision) return null;
  const key = setUpKey(program.id, revision.name);
  const [truth] = timeTruths(
    times.filter((t) => t.programId === program.id && t.revision === revision.name && t.stationCode === operation.stationCode),
  );
  const load = truth?.load && truth.load.count >= BATCHES_FOR_A_PLAN ? truth.load.medianMinutes : null;
  if (load !== null) observed.add(key);
  const setUp: SetUpFor = {
    program: key,
    fixture: revision.fixture,
    cutters: revision.cutters.map((c) => c.cutter),
    minutes: truth?.setUp && truth.setUp.count >= BATCHES_FOR_A_PLAN ? truth.setUp.medianMinutes : revision.planned.setUp,
  };
  const planned = plannedLoadMinutes(revision.planned);
  return {
    setUp,
    piecesALoad: revision.piecesALoad,
    minutesALoad: load ?? (planned > 0 ? planned : operation.minutesPerPiece * revision.piecesALoad),
  };
}

const anotherWay = (batch: Batch, operation: Operation, way: { id: string; setupMinutes: number; minutesPerPiece: number }): WayOf => ({
  ...plainWay(`${batch.modelId}/${operation.id}/${way.id}`, way),
  isOther: true,
});

const plainWay = (program: string, { setupMinutes, minutesPerPiece }: { setupMinutes: number; minutesPerPiece: number }): WayOf => ({
  setUp: { program, fixture: '', cutters: [], minutes: setupMinutes },
  piecesALoad: 1,
  minutesALoad: minutesPerPiece,
});

/** By when a batch must be off its machine for its order to be in time, if nothing waits after that; in minutes of work from now. */
function dueMinuteOf(batch: Batch, { nowMs, time }: LoadsAsked, factory: Factory): number {
  if (batch.dueMs === null) return Infinity;
  const ahead = forecastRoute(factory.routeOf(batch), batch, nowMs, time, factory);
  const [first, last] = [ahead[0], ahead.at(-1)];
  if (!first || !last) return Infinity;
  return time.between(nowMs, Math.max(nowMs, first.leaveMs + batch.dueMs - last.leaveMs)) / MINUTE_MS;
}
