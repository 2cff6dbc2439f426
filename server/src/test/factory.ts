import 'reflect-metadata';
import { randomUUID } from 'node:crypto';
import { START_CHECKS, TOGETHER } from '@ample-crane/core';
import type { INestApplication } from '@nestjs/common';
import { Test } from '@nestjs/testing';
import { hash } from '@node-rs/argon2';
import pg from 'pg';
import request from 'supertest';
import { DataSource } from 'typeorm';
import { AppModule } from '../app.module.ts';
import { furnish } from '../create.ts';
import { ClimateService } from '../climate/climate.service.ts';
import { migrate, ownerDataSource } from '../database.ts';
import { DEMO_PIN, loadDemo, loadFactory, loadPrograms } from '../demo/load.ts';
import { Clock } from '../platform/clock/clock.ts';
import { loadLong } from './long.ts';
import { TELL_PLANS } from './plans.ts';

export const PASSWORD = 'heron-lane';
export const DAY = 86_400_000;
const HOUR = 3_600_000;

/** A clock that stands until it is moved. */
export class FixedClock extends Clock {
  constructor(public atMs: number) {
    super();
  }
  nowMs(): number {
    return this.atMs;
  }
  pass(ms: number): void {
    this.atMs += ms;
  }
}

export interface TestFactory {
  app: INestApplication;
  clock: FixedClock;
  database: DataSource;
  /** Lets time go by with its sensors heard. */
  wait(ms: number): Promise<void>;
  /** Calls as someone who is signed in. */
  as(login: string, password?: string): Promise<Caller>;
  close(): Promise<void>;
}

export interface Answer {
  status: number;
  body: any;
  text: string;
  headers: Record<string, string>;
}

export interface Caller {
  get(path: string): Promise<Answer>;
  post(path: string, body?: object, headers?: Record<string, string>): Promise<Answer>;
  /** Sends a file, as text or in base64, and what is said about it, as a form. */
  file(path: string, body: { csv?: string; data?: string } & Record<string, unknown>, headers?: Record<string, string>): Promise<Answer>;
  put(path: string, body: object): Promise<Answer>;
  patch(path: string, body: object): Promise<Answer>;
  cookie: string;
}

/** What a database is opened with: nothing at all, the demo factory as it is set up, with its history, or with a long one. */
type Furnishing = 'nothing' | 'setup' | 'history' | 'long';

const LONG = 100_000;

/** Places of every station in the tests, which leave work lying on them. */
export const BENCHES = 50;

/** The whole server on a database of its own. */
export async function openFactory(furnishing: Furnishing = 'setup'): Promise<TestFactory> {
  const clusterUrl = process.env['TEST_CLUSTER_URL'];
  if (clusterUrl === undefined) throw new Error('TEST_CLUSTER_URL is not set: run the tests through npm');
  const name = `test_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Client({ connectionString: clusterUrl });
  await admin.connect();
  await admin.query(`create database ${name}`);
  process.env['DATABASE_URL'] = clusterUrl.replace(/\/postgres$/, `/${name}`);
  await migrate();
  const clock = new FixedClock(Date.parse('2026-03-10T09:00:00Z'));
  if (furnishing !== 'nothing') {
    const owner = await ownerDataSource().initialize();
    // Cheap parameters: these passwords guard nothing.
    const cheap = { memoryCost: 1024, timeCost: 1, parallelism: 1 };
    const [passwordHash, pinHash] = [await hash(PASSWORD, cheap), await hash(DEMO_PIN, cheap)];
    if (furnishing === 'history') await loadDemo(owner, clock.nowMs());
    else if (furnishing === 'long') {
      await loadLong(owner, clock.nowMs(), LONG);
      for (const [setting, value] of Object.entries(TELL_PLANS)) await admin.query(`alter database ${name} set ${setting} = '${value}'`);
    } else {
      await owner.transaction((manager) => loadFactory(manager, clock.nowMs(), { passwordHash, pinHash }));
      await owner.transaction((manager) => loadPrograms(manager, clock.nowMs()));
      await owner.query(`update station set places = $1 where kind = 'work'`, [BENCHES]);
    }
    await owner.destroy();
  }
  const moduleRef = await Test.createTestingModule({ imports: [AppModule.create()] })
    .overrideProvider(Clock)
    .useValue(clock)
    .compile();
  const app = moduleRef.createNestApplication({
    bodyParser: false,
    logger: false,
    forceCloseConnections: true,
  });
  furnish(app);
  await app.init();
  const server = app.getHttpServer();
  const database = app.get(DataSource);
  return {
    app,
    clock,
    database,
    async wait(ms) {
      clock.pass(ms);
      await app.get(ClimateService).readSensors();
    },
    async as(login, password = PASSWORD) {
      const signedIn = await request(server).post('/api/session').send({ login, password });
      const cookie = String(signedIn.headers['set-cookie']?.[0] ?? '').split(';')[0] ?? '';
      const send = async (
        method: 'get' | 'post' | 'put' | 'patch',
        path: string,
        body?: object,
        headers: Record<string, string> = {},
      ): Promise<Answer> => {
        const call = request(server)
          [method](`/api${path}`)
          .set({ Cookie: cookie, ...headers });
        const { status, body: answer, text, headers: got } = await (body === undefined ? call : call.send(body));
        return { status, body: answer, text, headers: got };
      };
      return {
        cookie,
        get: (path) => send('get', path),
        post: (path, body = {}, headers) => send('post', path, body, headers),
        async file(path, { csv, data, ...about }, headers = {}) {
          const bytes = data === undefined ? Buffer.from(csv ?? '') : Buffer.from(data, 'base64');
          const call = request(server)
            .post(`/api${path}`)
            .set({ Cookie: cookie, ...headers });
          const answer = await call.field('about', JSON.stringify(about)).attach('file', bytes, 'file');
          return { status: answer.status, body: answer.body, text: answer.text, headers: answer.headers };
        },
        put: (path, body) => send('put', path, body),
        patch: (path, body) => send('patch', path, body),
      };
    },
    async close() {
      await app.close();
      await admin.query(`drop database ${name} with (force)`);
      await admin.end();
    },
  };
}

/** A lot as it is received. */
export const LOT = {
  species: 'sugar maple',
  form: 'neck blanks',
  use: 'neck',
  thicknessMm: 27,
  volumeM3: 0.3,
  supplier: 'Calder',
  origin: 'Vermont',
  permit: null,
  restricted: false,
  zoneId: 'wood',
};

/** A lot that has dried, settled and been released. */
export async function releasedLot(factory: TestFactory, manager: Caller, over: object = {}): Promise<string> {
  const received = await manager.post('/lots', {
    species: 'mahogany',
    form: 'rough lumber',
    use: 'body',
    thicknessMm: 50,
    volumeM3: 0.5,
    supplier: 'Calder',
    origin: 'Belize',
    permit: 'P-1',
    restricted: true,
    zoneId: 'wood',
    ...over,
  });
  const { id } = received.body;
  const emc = (await manager.get('/zones')).body.find((z: { id: string }) => z.id === 'wood').emcPct as number;
  const { readingsNeeded } = (await manager.get(`/lots/${id}`)).body.lot;
  const shell = Array.from({ length: readingsNeeded - 1 }, (_, i) => (emc - 0.2 + 0.1 * ((i % 4) - 1)).toFixed(1));
  const readings = `${shell.join(' ')} c${(emc + 0.3).toFixed(1)}`;
  for (let i = 0; i < 2; i++) {
    const { lot } = (await manager.get(`/lots/${id}`)).body;
    const read = await manager.post(`/lots/${id}/readings`, {
      version: lot.version,
      text: readings,
      woodTempC: 21,
      meter: 'pinless',
    });
    if (read.status !== 200) throw new Error(`The lot was not read: ${JSON.stringify(read.body)}`);
    factory.clock.pass(8 * HOUR);
  }
  const { lot } = (await manager.get(`/lots/${id}`)).body;
  const released = await manager.post(`/lots/${id}/release`, { version: lot.version });
  if (released.status !== 200) throw new Error(`The lot was not released: ${JSON.stringify(released.body)}`);
  return id;
}

/** A started batch of Weirstone bodies or necks. */
export async function startedBatch(
  factory: TestFactory,
  manager: Caller,
  component: 'body' | 'neck' = 'body',
  quantity = 3,
): Promise<string> {
  const lotId = await releasedLot(factory, manager, component === 'neck' ? { use: 'neck', thicknessMm: 27 } : {});
  const started = await manager.post('/batches', {
    modelId: 'weirstone',
    component,
    quantity,
    lotId,
    orderId: null,
  });
  if (started.status !== 200) throw new Error(`The batch was not started: ${JSON.stringify(started.body)}`);
  return started.body.id;
}

export const card = async (caller: Caller, id: string) => (await caller.get(`/batches/${id}`)).body;

/** What is said at a machine, where a card asks for a start checklist. */
export const checked = ({
  program,
}: {
  program: { checked: boolean; revision: string; machines: { id: string; takenBy: string | null }[] } | null;
}) =>
  program?.checked
    ? {
        check: {
          machineId: program.machines.find((m) => m.takenBy === null)?.id,
          revision: program.revision,
          ticks: START_CHECKS.map((c) => c.key),
        },
      }
    : {};

interface SheetAsks {
  ticks: { key: string }[];
  notes: { id: string; figure: { low: number } | null }[];
}
/** The sheet of a card's step, wholly filled in, where it asks for anything. */
export const filledIn = ({ sheet }: { sheet: SheetAsks | null }) =>
  sheet && {
    sheet: {
      ticks: sheet.ticks.map((t) => t.key),
      notes: sheet.notes.map(({ id, figure }) => ({ id, ...(figure ? { figure: figure.low } : { words: 'as usual' }) })),
    },
  };

/** Does the present step of a batch to the end, all good, with whatever it asks for. */
export async function doStep(factory: TestFactory, caller: Caller, id: string): Promise<void> {
  let now = await card(caller, id);
  if (now.batch.handOver && !now.batch.accepted) {
    await caller.post(`/batches/${id}/accept`, { version: now.batch.version });
    now = await card(caller, id);
  }
  const begun = await caller.post(`/batches/${id}/start`, { version: now.batch.version, personId: now.workers[0].id, ...checked(now) });
  if (begun.status !== 200) throw new Error(`Not begun: ${JSON.stringify(begun.body)}`);
  await factory.wait(HOUR);
  for (let coat = 0; coat < (now.coatPlan?.coats ?? 0); coat++) {
    now = await card(caller, id);
    await caller.post(`/batches/${id}/coats`, { version: now.batch.version, wetUm: now.coatPlan.wetUm });
    await factory.wait(2 * HOUR);
  }
  now = await card(caller, id);
  if (now.characteristics.length > 0) {
    const measures = now.inPass.flatMap((pieceId: string) =>
      now.characteristics.map((c: { id: string; target: number }) => ({
        pieceId,
        characteristicId: c.id,
        value: c.target,
      })),
    );
    await caller.post(`/batches/${id}/measures`, { version: now.batch.version, measures });
    now = await card(caller, id);
  }
  const finished = await caller.post(`/batches/${id}/finish`, {
    version: now.batch.version,
    good: now.inPass.length,
    rework: 0,
    scrap: 0,
    outcomes: [],
    ...filledIn(now),
  });
  if (finished.status !== 200) throw new Error(`Not finished: ${JSON.stringify(finished.body)}`);
}

/** Puts a batch in rigs, a load after the other, until all of it has been pressed and it has gone on. */
export async function press(factory: TestFactory, caller: Caller, id: string): Promise<void> {
  const give = async (act: string, body: object) => {
    const { version } = (await card(caller, id)).batch;
    return caller.post(`/batches/${id}/${act}`, { personId: 'manager', version, ...body });
  };
  for (let load = 0; load < 20; load++) {
    const told = (await card(caller, id)).rigs;
    if (told === null) return;
    if (told.wipe?.due > 0) await give('wipe', {});
    for (const rig of told.rigs) {
      if (rig.free > 0 && told.outside > 0) await give('put-in', { rigId: rig.rigId });
      if (rig.cycle === TOGETHER && !rig.isClosed) await give('close-rig', { rigId: rig.rigId });
    }
    await factory.wait(DAY);
    for (const rig of (await card(caller, id)).rigs.rigs) if (rig.own > 0) await give('take-out', { rigId: rig.rigId });
  }
}

/** Takes a batch to a step, waiting as long as its gates ask. */
export async function advanceTo(factory: TestFactory, caller: Caller, id: string, operationId: string): Promise<void> {
  for (let i = 0; i < 40; i++) {
    const { batch } = await card(caller, id);
    if (batch.operationId === operationId) return;
    if (batch.operationKind === 'work' && batch.status === 'queued') await doStep(factory, caller, id);
    else if (batch.operationKind === 'dwell' && (await card(caller, id)).rigs !== null) await press(factory, caller, id);
    else {
      await factory.wait(batch.untilMs === null ? DAY : Math.max(HOUR, batch.untilMs - factory.clock.nowMs()));
      await caller.post(`/batches/${id}/move`, { version: batch.version });
    }
  }
  throw new Error(`Batch ${id} never came to ${operationId}`);
}
