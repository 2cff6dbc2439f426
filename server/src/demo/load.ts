import { DAY_MS, HOUR_MS, type LogbookEntry, Program, Recorder, type Rows, StockBoard, Lot } from '@ample-crane/core';
import { DEMO_DEVICE_PASSWORD, DEMO_DEVICES } from '@ample-crane/devices';
import { Mover } from './habits/mover.ts';
import { askForProgram, drawRevision } from './habits/programs.ts';
import { simulate } from './habits/simulate.ts';
import type { DataSource, EntityManager } from 'typeorm';
import { ZoneEntity, ZoneReadingEntity } from '../climate/climate.entity.ts';
import { DeviceEntity } from '../devices/device.entity.ts';
import { hashOfDevicePassword } from '../devices/passwords.ts';
import { MaterialEntity } from '../factory/factory.entity.ts';
import { LogbookEntity } from '../logbook/logbook.entity.ts';
import { insertRows } from '../platform/database/rows.ts';
import { AccountEntity } from '../platform/identity/account.entity.ts';
import { newAccount, newPerson } from '../platform/identity/identity.service.ts';
import { hashPassword } from '../platform/identity/passwords.ts';
import { ProgramEntity } from '../machining/program.entity.ts';
import { PersonEntity } from '../platform/identity/person.entity.ts';
import { DEFAULT_SETTINGS } from '../platform/settings/settings.ts';
import { SettingEntity } from '../platform/settings/settings.service.ts';
import { ROW_TABLES } from '../tables.ts';
import { CarrierEntity, ModelEntity, PrerequisiteEntity, RouteEntity, StationEntity } from '../factory/factory.entity.ts';
import { CuttingPlanEntity, PictureEntity } from '../timber/timber.entity.ts';
import { demoCuttingPlans } from './cuttingPlans.ts';
import { DEMO_MATERIALS } from './materials.ts';
import { DEMO_MODELS } from './models.ts';
import { DEMO_PEOPLE } from './people.ts';
import { demoPictures } from './pictures.ts';
import { demoSheetPictures } from './sheets.ts';
import { SheetPictureEntity } from '../routing/sheetPicture.entity.ts';
import { DEMO_WORK_WEEK, demoClimate, demoScenario, demoZones, WOOD_HISTORY_DAYS } from './scenario.ts';
import { DEMO_CARRIERS, DEMO_STATIONS, DEMO_ZONES } from './stations.ts';
import { DEMO_VERSIONS } from './versions.ts';

export const DEMO_PASSWORD = 'heron-lane';
/** Lets everybody of the demo on at a bench. */
export const DEMO_PIN = '2580';
export const FACTORY_NAME = 'Heron Lane Works';

/** Whether the database holds nothing yet. */
export async function isEmpty(database: DataSource): Promise<boolean> {
  return (await database.getRepository(PersonEntity).count()) === 0;
}

/**
 * Fills an empty database with the demo factory and its history up to an instant, at which its clock then stands.
 *
 * @param realMs what time it is outside
 */
export async function loadDemo(database: DataSource, nowMs: number, realMs = nowMs): Promise<{ entries: number }> {
  const { entries, rows } = simulate(demoScenario(nowMs));
  await loadHistory(database, nowMs, entries, rows);
  if (nowMs !== realMs) await insertRows(database.manager, SettingEntity, [{ key: 'demoClock', value: { aheadMs: nowMs - realMs } }]);
  return { entries: entries.length };
}

/** The demo factory with a history of its own, and the rows that follow from that. */
export async function loadHistory(database: DataSource, nowMs: number, entries: readonly LogbookEntry[], rows: Rows): Promise<void> {
  const [passwordHash, pinHash] = await Promise.all([hashPassword(DEMO_PASSWORD), hashPassword(DEMO_PIN)]);
  await database.transaction(async (manager) => {
    await loadFactory(manager, nowMs, { passwordHash, pinHash });
    await insertRows(manager, ZoneReadingEntity, climateHistory(nowMs));
    await insertRows(manager, LogbookEntity, entries.map(toRow));
    await manager.query(`select setval(pg_get_serial_sequence('logbook', 'id'), (select max(id) from logbook))`);
    for (const { kind, entity } of ROW_TABLES.all) await insertRows(manager, entity, rows.all(kind));
    await insertRows(manager, CuttingPlanEntity, demoCuttingPlans(rows, nowMs));
    await manager.insert(PictureEntity, demoPictures(rows.all(Lot), rows.all(StockBoard)));
  });
  await database.query('analyze');
}

/** The demo's programs, asked for, drawn and released at an instant. */
export async function loadPrograms(manager: EntityManager, nowMs: number): Promise<void> {
  const scenario = demoScenario(nowMs);
  const recorder = new Recorder(scenario.routes);
  const mover = new Mover(scenario, recorder);
  const at = { atMs: nowMs, leadId: scenario.leadId };
  for (const program of scenario.programs) {
    askForProgram(mover, program, at);
    for (const revision of program.revisions) drawRevision(mover, program, revision, at, 'released');
  }
  await insertRows(manager, LogbookEntity, recorder.entries.map(toRow));
  await manager.query(`select setval(pg_get_serial_sequence('logbook', 'id'), (select max(id) from logbook))`);
  await insertRows(manager, ProgramEntity, recorder.rows.all(Program));
}

/** The demo factory as it is set up, without any history. */
export async function loadFactory(
  manager: EntityManager,
  nowMs: number,
  { passwordHash, pinHash }: { passwordHash: string; pinHash: string },
): Promise<void> {
  const scenario = demoScenario(nowMs);
  await insertRows(manager, SettingEntity, [
    { key: 'factory', value: { ...DEFAULT_SETTINGS.factory, name: FACTORY_NAME, demo: true } },
    { key: 'workWeek', value: DEMO_WORK_WEEK },
    { key: 'serialPattern', value: scenario.serialPattern },
    { key: 'consignees', value: demoConsignees(scenario.customers) },
  ]);
  await insertRows(manager, PersonEntity, scenario.people.map(newPerson));
  await insertRows(
    manager,
    AccountEntity,
    DEMO_PEOPLE.map(({ login, role }) => newAccount({ personId: login, login, role, passwordHash })),
  );
  await manager.query('insert into bench_credential (person_id, pin_hash) select id, $1 from person', [pinHash]);
  await insertRows(
    manager,
    ZoneEntity,
    demoZones(nowMs).map(({ id, name, ...standIn }) => ({ id, name, standIn, revision: 1 })),
  );
  const benchesNow = new Map(scenario.stations.map((s) => [s.code, s.benches.at(-1)?.count ?? 1]));
  await insertRows(
    manager,
    StationEntity,
    DEMO_STATIONS.map((s, position) => ({
      ...s,
      position,
      places: benchesNow.get(s.code) ?? s.places,
      version: 1,
    })),
  );
  const devicePassword = hashOfDevicePassword(DEMO_DEVICE_PASSWORD);
  await insertRows(
    manager,
    DeviceEntity,
    DEMO_DEVICES.map((d) => ({ ...d, passwordHash: devicePassword, active: true, version: 1 })),
  );
  await manager.insert(SheetPictureEntity, demoSheetPictures());
  await insertRows(manager, MaterialEntity, [...DEMO_MATERIALS]);
  await insertRows(
    manager,
    ModelEntity,
    DEMO_MODELS.map(({ route, ...m }) => ({ ...m, active: true })),
  );
  await insertRows(
    manager,
    RouteEntity,
    DEMO_VERSIONS.map(({ route, state, sinceDaysAgo, reason }) => ({
      id: route.id,
      modelId: route.modelId,
      version: route.version,
      graph: route,
      state,
      effectiveMs: sinceDaysAgo === null ? null : scenario.nowMs - sinceDaysAgo * DAY_MS,
      reason,
      revision: 1,
    })),
  );
  await insertRows(
    manager,
    CarrierEntity,
    DEMO_CARRIERS.map((c) => ({ ...c, taken: 0, active: true, version: 1 })),
  );
  await insertRows(manager, PrerequisiteEntity, demoPrerequisites());
}

/** Whom the factory's customers have their instruments sent to; stock stays where it is. */
const demoConsignees = (customers: readonly string[]) =>
  customers.flatMap((name) =>
    name === 'Stock' ? [] : [{ name, note: name === 'Harbour Hall Music' ? 'Deliver before noon, by the yard gate' : '' }],
  );

/** What steps ask for before they are begun, each there; of kits there are as many sets as were counted. */
function demoPrerequisites(): PrerequisiteEntity[] {
  return DEMO_MODELS.flatMap(({ id, route }) =>
    route.operations
      .flatMap((o) => o.needs ?? [])
      .flatMap(({ kind, what }) => (kind === 'program' ? [] : [{ kind, what }]))
      .map(({ kind, what }) => ({
        id: `${id}/${what}`,
        kind,
        what,
        modelId: id,
        revision: '1',
        state: 'released' as const,
        note: '',
        version: 1,
      })),
  );
}

const toRow = (entry: LogbookEntry): LogbookEntity => ({ ...entry, recordedMs: entry.atMs });

function climateHistory(nowMs: number): ZoneReadingEntity[] {
  const first = Math.ceil((nowMs - WOOD_HISTORY_DAYS * 24 * HOUR_MS) / HOUR_MS) * HOUR_MS;
  const rows: ZoneReadingEntity[] = [];
  const climate = demoClimate(nowMs);
  for (const zone of DEMO_ZONES)
    for (let atMs = first; atMs <= nowMs; atMs += HOUR_MS) rows.push({ zoneId: zone.id, atMs, ...climate(zone.id, atMs) });
  return rows;
}
