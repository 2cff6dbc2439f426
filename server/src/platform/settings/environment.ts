import { Injectable } from '@nestjs/common';
import type { Request } from 'express';

const LOG_LEVELS = ['silent', 'error', 'warn', 'info', 'debug'] as const;

/** What whoever runs the server says about where it runs; docs/operations.md tells each. */
@Injectable()
export class Environment {
  readonly port: number;
  /** the address to listen on: loopback unless told otherwise */
  readonly host: string;
  /** under which people reach it, and which is given out; undefined where it is reached as it stands */
  readonly publicUrl: URL | undefined;
  /** the only names it answers to; undefined for any */
  readonly hosts: ReadonlySet<string> | undefined;
  /** whose word about the caller's address is believed: a number of proxies, or their addresses */
  readonly trustProxy: number | string | false;
  /** opens the metrics to a collector on another machine */
  readonly metricsToken: string | undefined;
  readonly logLevel: (typeof LOG_LEVELS)[number];
  /** after how long without a sign of its person a session ends */
  readonly idleHours: number;
  /** the broker that devices speak to; undefined where none is listened to */
  readonly mqttUrl: URL | undefined;
  readonly mqttUser: string | undefined;
  readonly mqttPassword: string | undefined;
  /** it is the broker that ships, which is told here who may speak */
  readonly ownBroker: boolean;
  /** requests at work at once, above which others are sent away for a moment */
  readonly mostRequests: number;

  /** @throws Error that says which variable is wrong */
  constructor(variables: NodeJS.ProcessEnv = process.env) {
    const given = (name: string) => variables[name]?.trim() || undefined;
    this.port = whole('PORT', given('PORT'), 3000, 65_535);
    this.host = given('HOST') ?? '127.0.0.1';
    this.publicUrl = address(given('PUBLIC_URL'));
    this.hosts =
      this.publicUrl && new Set([this.publicUrl.host, ...(given('ALSO_HOSTS')?.split(',') ?? []).map((h) => h.trim().toLowerCase())]);
    const proxy = given('TRUST_PROXY');
    this.trustProxy = proxy === undefined ? false : /^\d+$/.test(proxy) ? Number(proxy) : proxy;
    this.metricsToken = given('METRICS_TOKEN');
    const level = given('LOG_LEVEL') ?? 'warn';
    const known = LOG_LEVELS.find((l) => l === level);
    if (!known) throw new Error(`LOG_LEVEL "${level}" is none of ${LOG_LEVELS.join(', ')}`);
    this.logLevel = known;
    this.idleHours = whole('SESSION_IDLE_HOURS', given('SESSION_IDLE_HOURS'), 24, 24 * 14);
    this.mqttUrl = broker(given('MQTT_URL'));
    this.mqttUser = given('MQTT_USER');
    this.mqttPassword = given('MQTT_PASSWORD');
    this.ownBroker = given('MQTT_OWN_BROKER') === '1';
    this.mostRequests = whole('MOST_REQUESTS', given('MOST_REQUESTS'), 600, 100_000);
  }

  /** Under which address a person reached this server: the one set for everybody, else the one they used. */
  addressFor(request: Pick<Request, 'protocol' | 'header'>): string {
    return this.publicUrl?.origin ?? `${request.protocol}://${request.header('Host') ?? 'localhost'}`;
  }

  get isHttps(): boolean {
    return this.publicUrl?.protocol === 'https:';
  }
}

function whole(name: string, text: string | undefined, usual: number, most: number): number {
  if (text === undefined) return usual;
  const value = Number(text);
  if (!Number.isInteger(value) || value < 1 || value > most) throw new Error(`${name} "${text}" is no whole number from 1 to ${most}`);
  return value;
}

function address(text: string | undefined): URL | undefined {
  if (text === undefined) return undefined;
  if (!URL.canParse(text)) throw new Error(`PUBLIC_URL "${text}" is no address such as https://crane.example`);
  const url = new URL(text);
  if (!['http:', 'https:'].includes(url.protocol) || url.pathname !== '/')
    throw new Error(`PUBLIC_URL "${text}" must be http or https, and end with the host`);
  return url;
}

function broker(text: string | undefined): URL | undefined {
  if (text === undefined) return undefined;
  const url = URL.canParse(text) ? new URL(text) : undefined;
  if (!url || !['mqtt:', 'mqtts:', 'ws:', 'wss:'].includes(url.protocol))
    throw new Error(`MQTT_URL "${text}" is no address such as mqtt://127.0.0.1:1883`);
  if (url.username !== '' || url.password !== '') throw new Error('MQTT_URL holds no sign-in: say MQTT_USER and MQTT_PASSWORD');
  return url;
}
