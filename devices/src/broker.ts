import { createHash, timingSafeEqual } from 'node:crypto';
import { createServer, type AddressInfo, type Socket } from 'node:net';
import { ADMITTED_TOPIC, CLOCK_TOPIC, LONGEST_MESSAGE, SERVER_NAME, topicIn, topicOf, type Admitted } from '@ample-crane/core';
import { Aedes, type AuthenticateError, type Client } from 'aedes';

export interface BrokerOptions {
  /** 0 for any that is free */
  port: number;
  host: string;
  /** what the server signs in with */
  serverPassword: string;
}

export interface Broker {
  port: number;
  stop(): Promise<void>;
}

/** MQTT's codes for who is not let in. */
const UNAVAILABLE = 3;
const WRONG_PASSWORD = 4;
/** A character may take four bytes. */
const MOST_BYTES = LONGEST_MESSAGE * 4;

const hashOf = (text: string | Buffer): Buffer => createHash('sha256').update(text).digest();
const notLetIn = (returnCode: number): AuthenticateError => Object.assign(new Error('Not let in'), { returnCode });

/**
 * The broker that ships. It lets in the server by its password, and devices by theirs, of which the server tells it the
 * hashes; until then nobody. A device speaks under its own name, and hears its own answers and the time.
 */
export async function openBroker({ port, host, serverPassword }: BrokerOptions): Promise<Broker> {
  let admitted: ReadonlyMap<string, string> | undefined;
  const servers = new WeakSet<Client>();
  const isServer = (client: Client | null): boolean => client !== null && servers.has(client);

  const aedes = await Aedes.createBroker({
    authenticate(client, username, password, done) {
      const hash = hashOf(password ?? '');
      if (username === SERVER_NAME) {
        if (!timingSafeEqual(hash, hashOf(serverPassword))) return done(notLetIn(WRONG_PASSWORD), false);
        servers.add(client);
        return done(null, true);
      }
      if (admitted === undefined) return done(notLetIn(UNAVAILABLE), false);
      const known = Buffer.from(admitted.get(username ?? '') ?? '', 'hex');
      // A device goes by its own name: under another's it would put that one off the line.
      const isRight = client.id === username && known.length === hash.length && timingSafeEqual(known, hash);
      return isRight ? done(null, true) : done(notLetIn(WRONG_PASSWORD), false);
    },
    authorizePublish(client, { topic, payload, retain }, done) {
      if (payload.length > MOST_BYTES && !isServer(client)) return done(new Error('Too long'));
      if (client === null || isServer(client)) return done(null);
      const named = topicIn(topic);
      const isOwn = named?.deviceId === client.id && (named.what === 'say' ? !retain : named.what === 'state');
      return done(isOwn ? null : new Error('Not its own'));
    },
    authorizeSubscribe(client, subscription, done) {
      const { topic } = subscription;
      const mayHear = isServer(client) || topic === CLOCK_TOPIC || topic === topicOf(client.id, 'heard');
      done(null, mayHear ? subscription : null);
    },
  });
  const online = new Set<Client>();
  aedes.on('client', (client) => online.add(client));
  aedes.on('clientDisconnect', (client) => online.delete(client));
  // A stranger at the door is no fault of the broker's.
  aedes.on('connectionError', () => undefined);
  aedes.on('clientError', () => undefined);
  aedes.on('publish', ({ topic, payload }, client) => {
    if (topic !== ADMITTED_TOPIC || !isServer(client)) return;
    const before = admitted;
    const now = new Map((JSON.parse(payload.toString()) as Admitted[]).map(({ id, passwordHash }) => [id, passwordHash]));
    admitted = now;
    // Who may no longer speak, or has another password now, is shown out.
    for (const one of online) if (!isServer(one) && before?.get(one.id) !== now.get(one.id)) one.close();
  });

  const sockets = new Set<Socket>();
  const door = createServer((socket) => {
    sockets.add(socket);
    socket.on('close', () => sockets.delete(socket));
    socket.on('error', () => undefined);
    aedes.handle(socket);
  });
  await new Promise<void>((resolve, reject) => {
    door.once('error', reject);
    door.listen(port, host, resolve);
  });
  return {
    port: (door.address() as AddressInfo).port,
    async stop() {
      for (const socket of sockets) socket.destroy();
      await new Promise((resolve) => door.close(resolve));
      await new Promise<void>((resolve) => aedes.close(() => resolve()));
    },
  };
}
