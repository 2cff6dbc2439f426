import { asked, NOT_ANSWERED, refuse, wrongInput, type Asked, type Refused, type Rows } from '../ledger/index.ts';
import {
  controllerObjection,
  ControllersAt,
  CuttersAt,
  cutterInWords,
  OWN_WAY,
  programAsked,
  ProgramFor,
  programMissing,
  programsIn,
  type CutterNow,
  type RevisionToRun,
} from '../routing/index.ts';
import { Visit, type Batch } from './batch.ts';
import { placesOf } from './benchPlaces.ts';
import type { AtStep } from './commands/onBatch.ts';
import { benchFrom, loadsFor, Machine, machineIdOf, type Run } from './run.ts';

/** What somebody says at a machine before a load is begun. */
export interface StartCheck {
  /** which of the station's machines it is */
  machineId: string;
  /** the revision that the machine shows */
  revision: string;
  /** what was looked at, by the keys of the register */
  ticks: readonly string[];
  /** how long setting it up took */
  setUpMinutes?: number;
  /** how long a load will take, as they think */
  quotedMinutes?: number;
}

const MINUTE_S = 60;

/** What is asked of the machines of a station before one is started. */
export const machineAsks = (stationCode: string): Asked[] => [asked(CuttersAt, { stationCode }), asked(ControllersAt, { stationCode })];

const CHECK_RULE = 'start check';

/** What a machine will run for a batch, and where; or what speaks against it. Null where no program is run. */
export function runFor(
  wayId: string,
  pieces: number,
  check: StartCheck | undefined,
  at: AtStep,
): Refused | { kind: 'run'; run: Run | null } {
  const { batch, operation, answers } = at;
  const [need] = programsIn(operation.needs);
  if (!need || wayId !== OWN_WAY)
    return check ? wrongInput('check', `${operation.name} runs no program this way`) : { kind: 'run', run: null };
  const program = answers.to(ProgramFor, programAsked(need.what, batch, at.options));
  const revision = program === NOT_ANSWERED ? null : (program?.toRun ?? null);
  if (program === NOT_ANSWERED || !program || !revision) return refuse(programMissing(need.what, program) ?? '', { rule: 'prerequisite' });
  const wrong = check
    ? objectionTo(check, { what: need.what, revision }, at)
    : need.checked === true
      ? unchecked(at)
      : onlyMachineAgainst(revision, at);
  if (wrong) return wrong;
  const bench = check ? benchFrom(operation.stationCode, check.machineId) : null;
  const there = answers.to(CuttersAt, { stationCode: operation.stationCode });
  if (there === NOT_ANSWERED && check && revision.cutters.length > 0)
    return refuse(`Nobody could say which cutters are at ${at.factory.stationName(operation.stationCode)}`, { rule: CHECK_RULE });
  const cutters = there === NOT_ANSWERED ? [] : there;
  const used = revision.cutters.map(({ cutter, minutes }) => ({
    kind: cutter,
    minutes,
    on: cutters.find(
      (c) => c.kind === cutter && (bench === null ? cutters.filter((o) => o.kind === cutter).length === 1 : c.bench === bench),
    ),
  }));
  // Where no cutter is kept, none can be missing.
  const lacking = cutters.length === 0 || !check ? [] : used.filter(({ on }) => !on).map(({ kind }) => kind);
  if (lacking.length > 0)
    return refuse(`Not on this machine: ${lacking.join(', ')}`, {
      rule: CHECK_RULE,
      field: 'check',
      remedy: 'Put it on, and say so under Machining, Cutters',
    });
  const { name, fixture, piecesALoad } = revision;
  return {
    kind: 'run',
    run: {
      programId: program.id,
      what: need.what,
      revision: name,
      fixture,
      pieces,
      piecesALoad,
      machineId: check?.machineId ?? null,
      cutters: used.flatMap(({ on, minutes }) => (on ? [{ cutterId: on.id, useId: on.useId, secondsALoad: minutes * MINUTE_S }] : [])),
      setUpMinutes: check?.setUpMinutes ?? null,
      quotedMinutes: check?.quotedMinutes ?? null,
      timed: true,
      workedMs: null,
    },
  };
}

const unchecked = ({ operation, factory }: AtStep): Refused =>
  refuse(`Tick the start checklist of ${factory.stationName(operation.stationCode)} first`, { rule: CHECK_RULE, field: 'check' });

function objectionTo(
  check: StartCheck,
  card: { what: string; revision: Pick<RevisionToRun, 'name' | 'file'> },
  at: AtStep,
): Refused | null {
  const { operation, factory } = at;
  const { stationCode } = operation;
  if (!placesOf(stationCode, factory).some((n) => machineIdOf(stationCode, n) === check.machineId))
    return wrongInput('check', `${check.machineId} is no machine of ${factory.stationName(stationCode)}`);
  if (check.revision.trim().toLowerCase() !== card.revision.name.toLowerCase())
    return refuse(
      `The machine shows revision ${check.revision.trim() === '' ? '(none)' : check.revision.trim()}; the card asks for ${card.revision.name} of "${card.what}"`,
      { rule: CHECK_RULE, field: 'check', remedy: `Load revision ${card.revision.name} before anything is cut` },
    );
  // Whoever ticks may have read another line; where the machine can be asked, it is.
  const against = machineAgainst(benchFrom(stationCode, check.machineId), card.revision, at);
  if (against) return against;
  const ticked = new Set(check.ticks);
  const left = factory.setUp.settings.startChecks.filter((c) => !ticked.has(c.key)).map((c) => c.text);
  return left.length === 0 ? null : refuse(`Not ticked yet: ${left.join('; ')}`, { rule: CHECK_RULE, field: 'check' });
}

/** What the controller of one of the station's machines says against running a revision there. */
function machineAgainst(bench: number, revision: Pick<RevisionToRun, 'name' | 'file'>, { operation, answers }: AtStep): Refused | null {
  const controllers = answers.to(ControllersAt, { stationCode: operation.stationCode });
  const controller = controllers === NOT_ANSWERED ? undefined : controllers.find((c) => c.bench === bench);
  const told = controller && controllerObjection(controller, revision);
  return told ? refuse(told.sentence, { rule: CHECK_RULE, field: 'check', remedy: told.remedy }) : null;
}

/** The same where nobody says which machine it is, and there is but one. */
function onlyMachineAgainst(revision: Pick<RevisionToRun, 'name' | 'file'>, at: AtStep): Refused | null {
  const [bench, ...others] = placesOf(at.operation.stationCode, at.factory);
  return bench === undefined || others.length > 0 ? null : machineAgainst(bench, revision, at);
}

/** The machine that a paused batch was on, where others have begun on it since; undefined where it is as it was left. */
export function machineTakenSince(rows: Rows, batch: Pick<Batch, 'id' | 'visitId'>): Machine | undefined {
  const visit = rows.find(Visit, batch.visitId);
  const machineId = visit?.run?.machineId ?? null;
  const machine = machineId === null ? undefined : rows.find(Machine, machineId);
  return machine && machine.batchId !== batch.id && machine.atMs > (visit?.startedMs ?? 0) ? machine : undefined;
}

/** Cutters whose life a batch would use up, each in a sentence: to be told before it is begun. */
export function cutterWarnings(run: Pick<Run, 'cutters' | 'piecesALoad'>, pieces: number, there: readonly CutterNow[]): string[] {
  const full = pieces / run.piecesALoad;
  return run.cutters.flatMap(({ cutterId, secondsALoad }) => {
    const cutter = there.find((c) => c.id === cutterId);
    const afterS = (cutter?.usedS ?? 0) + secondsALoad * full;
    if (!cutter || afterS <= cutter.lifeS) return [];
    const now = cutterInWords(cutter);
    if (cutter.usedS >= cutter.lifeS) return [`${now}: its life is over`];
    const lasts = Math.floor((cutter.lifeS - cutter.usedS) / secondsALoad);
    return [`${now}: it lasts for ${lasts} of the ${loadsFor(pieces, run)} loads`];
  });
}
