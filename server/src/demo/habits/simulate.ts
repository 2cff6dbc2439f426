import { DAY_MS, Engine, HOUR_MS, type LogbookEntry, MINUTE_MS, Recorder, type Rows, seededRandom } from '@ample-crane/core';
import { countKits } from './kits.ts';
import { Floor } from './floor.ts';
import type { FloorEvent } from './floorEvent.ts';
import { Mover } from './mover.ts';
import { Sales } from './sales.ts';
import { askForProgram, drawRevision, mountCutters } from './programs.ts';
import type { Scenario, ScenarioProgram, ScenarioRevision } from './scenario.ts';
import { Starts } from './starts.ts';
import { judgeTrials } from './trials.ts';
import { studyCaliper } from './studies.ts';
import { WoodSupply } from './woodSupply.ts';

type SimulationEvent =
  | FloorEvent
  | { kind: 'lot arrives'; inShed: boolean }
  | { kind: 'lot is read'; lotId: string }
  | { kind: 'morning' }
  | { kind: 'program is asked for'; program: ScenarioProgram }
  | { kind: 'revision is drawn'; program: ScenarioProgram; revision: ScenarioRevision }
  | { kind: 'places change'; station: string; before: number; after: number };

const READ_EVERY_DAYS = 7;
/** The lot, counted from the first, that was put in the unheated shed and will never get there. */
const SHED_LOT = 80;

/**
 * Runs a factory forward from nothing to now: a seeded discrete-event simulation of lots, stations, people, shifts,
 * defects and drying. Every act is a command, judged like anybody's.
 *
 * @returns the logbook it wrote, the rows that follow from it, and what it asked for and was refused
 */
export function simulate(scenario: Scenario): { entries: LogbookEntry[]; rows: Rows; refused: readonly string[] } {
  const random = seededRandom(scenario.seed);
  const recorder = new Recorder(scenario.routes);
  const events = new Engine<SimulationEvent>(scenario.woodFromMs);
  const mover = new Mover(scenario, recorder);
  const wood = new WoodSupply(scenario, recorder, mover, random.fork('wood'));
  const floor = new Floor(scenario, recorder, mover, events, random.fork('floor'));
  const sales = new Sales(scenario, mover, random.fork('sales'));
  const starts = new Starts(scenario, recorder, mover, wood, floor, random.fork('starts'));
  const { time, nowMs } = scenario;

  const ago = (days: number | null) => (days === null ? scenario.floorFromMs : nowMs - days * DAY_MS);
  for (const program of scenario.programs) {
    events.plan(time.nextWorking(ago(program.askedDaysAgo)), { kind: 'program is asked for', program });
    for (const revision of program.revisions)
      events.plan(time.nextWorking(ago(revision.daysAgo)) + MINUTE_MS, { kind: 'revision is drawn', program, revision });
  }

  let lots = 0;
  for (let at = scenario.woodFromMs; at < nowMs; at += scenario.lotEveryDays * DAY_MS)
    events.plan(time.nextWorking(at) + (90 + (lots % 5) * 7) * MINUTE_MS, {
      kind: 'lot arrives',
      inShed: lots++ === SHED_LOT,
    });
  for (const shift of time.windows) if (shift.fromMs >= scenario.floorFromMs) events.plan(shift.fromMs, { kind: 'morning' });
  for (const { code, benches } of scenario.stations)
    benches.slice(1).forEach(({ fromMs, count }, i) => {
      events.plan(fromMs, { kind: 'places change', station: code, before: benches[i]?.count ?? 0, after: count });
    });

  const lastMorningMs = time.windows.findLast((shift) => shift.fromMs <= nowMs)?.fromMs;
  let setsDue = 0;
  let isTooled = false;
  events.run(nowMs, (event, atMs) => {
    switch (event.kind) {
      case 'lot arrives': {
        const lotId = wood.receive(atMs, event.inShed);
        events.plan(time.nextWorking(atMs + HOUR_MS), { kind: 'lot is read', lotId });
        break;
      }
      case 'lot is read':
        if (wood.read(event.lotId, atMs)) events.plan(time.nextWorking(atMs + READ_EVERY_DAYS * DAY_MS), event);
        break;
      case 'program is asked for':
        askForProgram(mover, event.program, { atMs, leadId: scenario.leadId });
        return;
      case 'revision is drawn':
        drawRevision(mover, event.program, event.revision, { atMs, leadId: scenario.leadId });
        return;
      case 'morning': {
        if (!isTooled) mountCutters(mover, scenario.cutters, { atMs, leadId: scenario.leadId });
        isTooled = true;
        sales.takeOrders(atMs);
        starts.campaigns(atMs);
        judgeTrials(mover, recorder, atMs, scenario.leadId);
        for (const { modelId, daysAgo } of scenario.rushes)
          if (Math.floor((nowMs - atMs) / DAY_MS) === daysAgo && sales.rush(modelId, atMs)) starts.set(sales, atMs);
        for (setsDue += scenario.setsPerDay; setsDue >= 1; setsDue--) starts.set(sales, atMs);
        break;
      }
      case 'places change': {
        const change = { what: 'station', id: event.station, before: { places: event.before }, after: { places: event.after } };
        recorder.record('setup.changed', atMs, null, {}, change);
        return;
      }
      default:
        floor.handle(event, atMs);
    }
    floor.startWork(atMs);
    if (event.kind !== 'morning' || atMs !== lastMorningMs) return;
    sales.askForTheNew(atMs);
    countKits(mover, atMs);
    floor.machines.lookAtBurns(atMs, scenario.leadId);
    studyCaliper(mover, random.fork('studies'), { atMs, leadId: scenario.leadId });
  });
  return { entries: recorder.entries, rows: recorder.rows, refused: mover.refused };
}
