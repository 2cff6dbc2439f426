import { KINDS, placeKeyOf, readMessage, type DeviceMessage, type Heard } from '@ample-crane/core';
import type { ClimateService } from '../climate/climate.service.ts';
import type { Transaction } from '../platform/database/transaction.ts';
import { CHANNEL } from '../platform/events/events.service.ts';
import type { Reply } from './adapters/adapter.ts';
import type { DeviceEntity } from './device.entity.ts';

/** What a device said, and what was read in it. */
export interface Letter {
  deviceId: string;
  /** undefined where nobody knows it, or it is put away */
  device: DeviceEntity | undefined;
  text: string;
  heardMs: number;
  read: Heard;
}

/** What came in together. */
export interface CameIn {
  devices: ReadonlyMap<string, DeviceEntity>;
  letters: readonly Letter[];
  /** who came on the line since, or left it */
  lines: ReadonlyMap<string, boolean>;
  /** how many of each were held back */
  heldBack: ReadonlyMap<string, number>;
}

/** So much of what was refused is kept, to be looked at. */
const SHOWN = 300;
const MOST_REFUSALS_AT_ONCE = 20;

export function readLetter(
  device: DeviceEntity | undefined,
  { deviceId, text, heardMs }: Pick<Letter, 'deviceId' | 'text' | 'heardMs'>,
): Letter {
  const known = device?.active === true ? device : undefined;
  const read: Heard = known
    ? readMessage(known.kind, text, heardMs)
    : { kind: 'refused', id: idIn(text), why: device ? 'It is put away: nobody listens to it' : 'Nobody here knows a device of this name' };
  return { deviceId, device: known, text, heardMs, read };
}

function idIn(text: string): string | null {
  const read = readMessage('caliper', text, 0);
  return read.kind === 'message' ? read.message.id : read.id;
}

/** What is answered; null where it cannot be, for the message has no name. */
export function answerTo({ read }: Letter): Reply | null {
  if (read.kind === 'message') return { id: read.message.id, taken: true };
  return read.id === null ? null : { id: read.id, refused: read.why };
}

type Taken = Letter & { device: DeviceEntity; message: DeviceMessage };

/** Keeps what came in, each message once, with all that follows from it. */
export async function takeIn(
  { client, commitWith, manager }: Transaction,
  climate: ClimateService,
  { devices, letters, lines, heldBack }: CameIn,
): Promise<void> {
  const good = letters.flatMap((letter): Taken[] => {
    const { device, read } = letter;
    return read.kind === 'message' && device ? [{ ...letter, device, message: read.message }] : [];
  });
  // The same message may have come twice in a moment.
  const once = [...new Map(good.map((t) => [keyOf(t.deviceId, t.message.id), t])).values()].sort(byDevice);
  const { rows } = await client.query<{ device_id: string; message_id: string }>(
    `insert into device_message (device_id, message_id, heard)
       select * from jsonb_to_recordset($1) as m(device_id text, message_id text, heard timestamptz)
       on conflict do nothing returning device_id, message_id`,
    [
      JSON.stringify(
        once.map(({ deviceId, message, heardMs }) => ({ device_id: deviceId, message_id: message.id, heard: new Date(heardMs) })),
      ),
    ],
  );
  const fresh = new Set(rows.map((r) => keyOf(r.device_id, r.message_id)));
  const taken = once.filter((t) => fresh.has(keyOf(t.deviceId, t.message.id)));

  await climate.keep(
    manager,
    taken.flatMap(({ device, message: { atMs, told } }) =>
      told.kind === 'air' && device.zoneId !== null
        ? [{ zoneId: device.zoneId, atMs, tempC: told.tempC, relativeHumidity: told.relativeHumidity }]
        : [],
    ),
  );
  const values = taken.flatMap(({ device, heardMs, message: { atMs, told } }) =>
    told.kind === 'value'
      ? [
          {
            device_id: device.id,
            place: placeKeyOf(device),
            quantity: told.quantity,
            value: told.value,
            at: new Date(atMs),
            heard: new Date(heardMs),
          },
        ]
      : [],
  );
  await client.query(
    `insert into device_value (device_id, place, quantity, value, at, heard)
       select * from jsonb_to_recordset($1) as v(device_id text, place text, quantity text, value float8, at timestamptz, heard timestamptz)`,
    [JSON.stringify(values)],
  );
  const { turned, back } = await keepNow({ client }, devices, { taken, letters, lines, heldBack });
  await keepRefusals({ client }, letters);
  const topics = {
    device: null,
    ...(values.length > 0 ? { 'device value': [...new Set(values.map((v) => v.place))] } : {}),
    // After a night without network there are more of them than a notification can name.
    ...(turned.length > 0 ? { controller: null } : {}),
    ...(back.length > 0 ? { 'device back': null } : {}),
  };
  await commitWith({ text: 'select pg_notify($1, $2)', values: [CHANNEL, JSON.stringify({ topics })] });
}

const keyOf = (deviceId: string, messageId: string) => `${deviceId}\n${messageId}`;
// Two servers that take in at once take rows in one order.
const byDevice = (a: Taken, b: Taken) => (keyOf(a.deviceId, a.message.id) < keyOf(b.deviceId, b.message.id) ? -1 : 1);

interface Now {
  device_id: string;
  heard: Date | null;
  told: object | null;
  told_at: Date | null;
  ahead_ms: number | null;
  connected: boolean | null;
  taken: number;
  doubled: number;
  refused: number;
  held_back: number;
}

/**
 * Brings up to date what is known of each device. What was measured before what is known already changes nothing of that:
 * words may overtake one another.
 *
 * @returns the stations of machines whose state or program is another since, and devices that had been silent
 */
async function keepNow(
  { client }: Pick<Transaction, 'client'>,
  devices: CameIn['devices'],
  { taken, letters, lines, heldBack }: Omit<CameIn, 'devices'> & { taken: readonly Taken[] },
): Promise<{ turned: string[]; back: string[] }> {
  const told = new Map<string, Now>();
  const of = (deviceId: string): Now => {
    const now = told.get(deviceId) ?? {
      device_id: deviceId,
      heard: null,
      told: null,
      told_at: null,
      ahead_ms: null,
      connected: null,
      taken: 0,
      doubled: 0,
      refused: 0,
      held_back: 0,
    };
    told.set(deviceId, now);
    return now;
  };
  const isNew = new Set<Heard>(taken.map((t) => t.read));
  for (const { device, heardMs, read } of letters) {
    if (!device) continue;
    const now = of(device.id);
    now.heard = new Date(heardMs);
    if (read.kind === 'refused') now.refused++;
    else if (!isNew.has(read)) now.doubled++;
    else {
      now.taken++;
      const { atMs, aheadMs, told: word } = read.message;
      if (aheadMs !== null) now.ahead_ms = aheadMs;
      if (now.told_at === null || now.told_at.getTime() <= atMs) [now.told, now.told_at] = [word, new Date(atMs)];
    }
  }
  for (const [id, count] of heldBack) if (devices.has(id)) of(id).held_back += count;
  for (const [id, connected] of lines) if (devices.has(id)) of(id).connected = connected;
  const rows = [...told.values()].sort((a, b) => (a.device_id < b.device_id ? -1 : 1));
  if (rows.length === 0) return { turned: [], back: [] };
  const before = await client.query<Before>('select device_id, heard, told from device_now where device_id = any($1)', [
    rows.map((r) => r.device_id),
  ]);
  const after = await client.query<{ device_id: string; told: Record<string, unknown> | null; connected: boolean }>(
    `insert into device_now as n (device_id, connected, heard, told, told_at, ahead_ms, taken, doubled, refused, held_back)
       select device_id, coalesce(connected, true), heard, told, told_at, ahead_ms, taken, doubled, refused, held_back
         from jsonb_to_recordset($1) as r(device_id text, connected bool, heard timestamptz, told jsonb, told_at timestamptz,
           ahead_ms float8, taken int, doubled int, refused int, held_back int)
       on conflict (device_id) do update set
         connected = excluded.connected,
         heard = greatest(n.heard, excluded.heard),
         told = case when excluded.told_at >= coalesce(n.told_at, excluded.told_at) then excluded.told else n.told end,
         told_at = greatest(n.told_at, excluded.told_at),
         ahead_ms = coalesce(excluded.ahead_ms, n.ahead_ms),
         taken = n.taken + excluded.taken,
         doubled = n.doubled + excluded.doubled,
         refused = n.refused + excluded.refused,
         held_back = n.held_back + excluded.held_back
       returning device_id, told`,
    [JSON.stringify(rows)],
  );
  const was = new Map(before.rows.map((r) => [r.device_id, r]));
  const turned = after.rows.flatMap(({ device_id: id, told: word }) => {
    const stationCode = devices.get(id)?.stationCode ?? null;
    if (stationCode === null || word?.['kind'] !== 'machine') return [];
    const known = was.get(id)?.told;
    return known?.['state'] === word['state'] && known?.['program'] === word['program'] ? [] : [stationCode];
  });
  const back = rows.flatMap(({ device_id: id, heard }) => {
    const silentAfterMs = KINDS[devices.get(id)?.kind ?? 'caliper'].silentAfterMs;
    const last = was.get(id)?.heard;
    return silentAfterMs !== null && heard && last && heard.getTime() - last.getTime() > silentAfterMs ? [id] : [];
  });
  return { turned, back };
}

interface Before {
  device_id: string;
  heard: Date | null;
  told: Record<string, unknown> | null;
}

async function keepRefusals({ client }: Pick<Transaction, 'client'>, letters: readonly Letter[]): Promise<void> {
  const refused = letters.flatMap(({ deviceId, heardMs, text, read }) =>
    read.kind === 'refused'
      ? [{ device_id: deviceId, heard: new Date(heardMs), message_id: read.id, why: read.why, said: printable(text) }]
      : [],
  );
  if (refused.length === 0) return;
  await client.query(
    `insert into device_refusal (device_id, heard, message_id, why, said)
       select * from jsonb_to_recordset($1) as r(device_id text, heard timestamptz, message_id text, why text, said text)`,
    [JSON.stringify(refused.slice(0, MOST_REFUSALS_AT_ONCE))],
  );
}

/** What a database can keep of whatever came. */
const printable = (text: string): string =>
  text
    .slice(0, SHOWN)
    .replace(/\p{Cc}/gu, '·')
    .toWellFormed();
