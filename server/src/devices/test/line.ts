import { DEMO_DEVICE_PASSWORD, Device, openBroker, type Broker } from '@ample-crane/devices';
import { connectAsync, type MqttClient } from 'mqtt';
import type { DeviceView } from '../devices.dto.ts';
import { openFactory, type Caller, type TestFactory } from '../../test/factory.ts';

const PASSWORD = 'for the server alone';

type Seen = DeviceView & Record<string, unknown>;

/** A factory whose devices speak over a broker of its own. */
export interface FactoryOnLine {
  factory: TestFactory;
  manager: Caller;
  operator: Caller;
  url: string;
  /** A device on the line; whoever had its name before is switched off. */
  device(id: string, over?: { clock?: () => number; password?: string }): Promise<Device>;
  /** Somebody who speaks MQTT by hand. */
  rough(id: string): Promise<MqttClient>;
  /** The broker ends, and begins anew at the same place, knowing nothing. */
  restartBroker(meanwhile?: () => Promise<void>): Promise<void>;
  seen(id: string): Promise<Seen>;
  close(): Promise<void>;
}

export async function openOnLine(): Promise<FactoryOnLine> {
  let broker: Broker = await openBroker({ port: 0, host: '127.0.0.1', serverPassword: PASSWORD });
  const { port } = broker;
  const url = `mqtt://127.0.0.1:${port}`;
  const said = { MQTT_URL: url, MQTT_USER: 'server', MQTT_PASSWORD: PASSWORD, MQTT_OWN_BROKER: '1' };
  Object.assign(process.env, said);
  const factory = await openFactory();
  for (const name of Object.keys(said)) delete process.env[name];
  const [manager, operator] = await Promise.all([factory.as('manager'), factory.as('operator')]);
  const devices = new Map<string, Device>();
  const clients: MqttClient[] = [];
  return {
    factory,
    manager,
    operator,
    url,
    async device(id, over = {}) {
      await devices.get(id)?.stop();
      const made = new Device({ id, password: DEMO_DEVICE_PASSWORD, url, clock: () => factory.clock.nowMs(), resendMs: 400, ...over });
      devices.set(id, made);
      return made;
    },
    async rough(id) {
      const client = await connectAsync(url, { clientId: id, username: id, password: DEMO_DEVICE_PASSWORD, reconnectPeriod: 0 });
      clients.push(client);
      return client;
    },
    async restartBroker(meanwhile = () => Promise.resolve()) {
      await broker.stop();
      await meanwhile();
      broker = await openBroker({ port, host: '127.0.0.1', serverPassword: PASSWORD });
    },
    async seen(id) {
      const { devices: all } = (await manager.get('/devices')).body as { devices: Seen[] };
      const found = all.find((d) => d.id === id);
      if (!found) throw new Error(`There is no device ${id}`);
      return found;
    },
    async close() {
      await Promise.all([...devices.values()].map((d) => d.stop()));
      await Promise.all(clients.map((client) => client.endAsync(true)));
      await factory.close();
      await broker.stop();
    },
  };
}

/** Asks until something holds, ten seconds long. @returns what was found last */
export async function until<T>(ask: () => Promise<T> | T, holds: (found: T) => boolean): Promise<T> {
  for (let tries = 0; ; tries++) {
    const found = await ask();
    if (holds(found) || tries === 200) return found;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
