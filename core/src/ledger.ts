import { assembly } from './assembly/room.ts';
import { batches } from './batches/room.ts';
import { carriers } from './carriers/room.ts';
import { dispatch } from './dispatch/room.ts';
import { factory } from './factory/room.ts';
import { finishing } from './finishing/room.ts';
import type { FittingFactory } from './fitting/index.ts';
import { fitting } from './fitting/room.ts';
import { Ledger, type EntryOfKind, type PayloadOf, type Written } from './ledger/index.ts';
import { orders } from './orders/room.ts';
import { machining } from './machining/room.ts';
import { quality } from './quality/room.ts';
import { rigs } from './rigs/room.ts';
import type { Routes } from './routing/index.ts';
import { routing } from './routing/room.ts';
import { timber } from './timber/room.ts';

/** The factory with all that its rooms ask of it. */
export type HouseFactory = FittingFactory;

/** The rooms, put together. */
const ROOMS = [
  factory,
  routing,
  carriers,
  timber,
  orders,
  assembly,
  batches,
  finishing,
  quality,
  machining,
  rigs,
  fitting,
  dispatch,
] as const;

/** The logbook of this factory: every fact there is, and the only way it takes effect. */
export const LEDGER: Ledger<Routes, HouseFactory> = new Ledger<Routes, HouseFactory>(ROOMS);

type CommandKinds = (typeof ROOMS)[number]['commands'][number];

/** Every act that a person can do, in the rooms' order. */
export const COMMANDS: readonly CommandKinds[] = ROOMS.flatMap((room) => [...room.commands]);

type EntryKinds = (typeof ROOMS)[number]['entries'][number];

/** What each kind of entry says, by its name. */
export type Payloads = { [Defined in EntryKinds as Defined['kind']]: PayloadOf<Defined> };

/** The name of a kind of entry. */
export type EntryName = keyof Payloads;

/** Entries about wood alone: no batch, order, carrier or instrument changes with one. */
export const WOOD_ENTRIES: readonly EntryName[] = timber.entries.map(({ kind }) => kind);

/** What is to be written down: when, who, about what. */
export type NewEntry = EntryOfKind<EntryKinds>;

/** One line of the logbook. Appended, never changed. */
export type LogbookEntry = NewEntry & { id: number };

/** What the first entry of a kind says among what a command wrote; undefined when there is none. */
export function sayingOf<Name extends EntryName>(name: Name, written: readonly Written[]): Payloads[Name] | undefined {
  // A kind's name tells what its entries say.
  return written.find((entry) => entry.kind === name)?.payload as Payloads[Name] | undefined;
}
