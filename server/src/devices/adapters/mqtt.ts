import { ADMITTED_TOPIC, CLOCK_TOPIC, EVERY_DEVICE, topicIn, topicOf, type Admitted } from '@ample-crane/core';
import { randomUUID } from 'node:crypto';
import { Injectable, Logger } from '@nestjs/common';
import { connect, type MqttClient } from 'mqtt';
import { Clock } from '../../platform/clock/clock.ts';
import { Environment } from '../../platform/settings/environment.ts';
import { DeviceAdapter, type Hears, type LineState } from './adapter.ts';

const AGAIN_MS = 1000;
const CLOCK_EVERY_MS = 60_000;
/** The factory's clock is looked at so often; where it has been set, that is told at once. */
const LOOK_EVERY_MS = 1000;

/** Devices that speak by MQTT, through the broker that ships or one of the house's own. */
@Injectable()
export class MqttAdapter extends DeviceAdapter {
  private readonly logger = new Logger('Devices');
  private client: MqttClient | undefined;
  private beat: NodeJS.Timeout | undefined;
  private devices: readonly Admitted[] = [];
  private known: LineState;
  private complaint = '';
  private toldMs = 0;
  private toldAheadMs = 0;

  constructor(
    private readonly environment: Environment,
    private readonly clock: Clock,
  ) {
    super();
    this.known = { state: 'none', sinceMs: clock.nowMs() };
  }

  get line(): LineState {
    return this.known;
  }

  start(hears: Hears): void {
    const { mqttUrl, mqttUser, mqttPassword } = this.environment;
    if (mqttUrl === undefined) return;
    this.known = { state: 'off', sinceMs: this.clock.nowMs() };
    const client = connect(mqttUrl.href, {
      clientId: `server-${randomUUID()}`,
      reconnectPeriod: AGAIN_MS,
      reconnectOnConnackError: true,
      ...(mqttUser === undefined ? {} : { username: mqttUser }),
      ...(mqttPassword === undefined ? {} : { password: mqttPassword }),
    });
    this.client = client;
    client.on('connect', () => {
      this.known = { state: 'on', sinceMs: this.clock.nowMs() };
      this.complaint = '';
      hears.begin();
      // Who may speak is known before anybody is listened to.
      this.sendDevices();
      this.sendClock();
      client.subscribe(Object.values(EVERY_DEVICE), { qos: 1 }, (error) => {
        if (error) this.logger.warn(`The broker lets nobody listen: ${error.message}`);
      });
    });
    client.on('close', () => {
      if (this.known.state === 'on') this.known = { state: 'off', sinceMs: this.clock.nowMs() };
    });
    client.on('error', (error) => {
      // It is tried again every second; why it fails is told once.
      if (error.message !== this.complaint) this.logger.warn(`The broker: ${error.message}`);
      this.complaint = error.message;
    });
    client.on('message', (topic, payload) => {
      const named = topicIn(topic);
      if (named === null) return;
      const { deviceId, what } = named;
      const text = payload.toString('utf8');
      if (what === 'state') hears.line(deviceId, isOnline(text));
      else
        hears.hear(deviceId, text, (reply) => {
          client.publish(topicOf(deviceId, 'heard'), JSON.stringify(reply), { qos: 1 });
        });
    });
    this.beat = setInterval(() => this.followClock(), LOOK_EVERY_MS);
    this.beat.unref();
  }

  async stop(): Promise<void> {
    clearInterval(this.beat);
    await this.client?.endAsync(true);
  }

  tellDevices(devices: readonly Admitted[]): void {
    this.devices = devices;
    this.sendDevices();
  }

  private followClock(): void {
    const aheadMs = this.clock.nowMs() - Date.now();
    if (Math.abs(aheadMs - this.toldAheadMs) > LOOK_EVERY_MS || Date.now() - this.toldMs > CLOCK_EVERY_MS) this.sendClock();
  }

  /** Tells the factory's time, for devices without a clock of their own. */
  private sendClock(): void {
    if (this.client?.connected !== true) return;
    this.toldMs = Date.now();
    this.toldAheadMs = this.clock.nowMs() - this.toldMs;
    this.client.publish(CLOCK_TOPIC, JSON.stringify({ now: new Date(this.clock.nowMs()).toISOString() }), { qos: 1, retain: true });
  }

  /** A house's own broker has its own list of who may speak. */
  private sendDevices(): void {
    if (this.client?.connected !== true || !this.environment.ownBroker) return;
    this.client.publish(ADMITTED_TOPIC, JSON.stringify(this.devices), { qos: 1 });
  }
}

function isOnline(text: string): boolean {
  try {
    const said: unknown = JSON.parse(text);
    return typeof said === 'object' && said !== null && 'online' in said && said.online === true;
  } catch {
    return false;
  }
}
