import { KINDS, MINUTE_MS, unitsOf } from '@ample-crane/core';
import { roomAir } from '../climateSensors.ts';
import { Device, type Answer } from '../device.ts';
import { MachineStandIn } from './controller.ts';
import { DEMO_DEVICE_PASSWORD, DEMO_WEATHER_SEED, DEMO_ZONES, type DemoDevice } from './heronLane.ts';

const AIR_EVERY_MS = 10 * MINUTE_MS;
const MACHINE_EVERY_MS = MINUTE_MS;
const TICK_MS = 500;
const SHOWN = 4;

/** One device of the demo, with what its own small page shows and does. */
export class StandIn {
  readonly device: Device;
  readonly machine: MachineStandIn | null;
  /** the latest answers, newest first */
  readonly answers: string[] = [];
  /** pulled off the line by hand */
  isSilent = false;
  private readonly timer: NodeJS.Timeout | undefined;
  private spokeMs = 0;

  constructor(
    readonly of: DemoDevice,
    url: string,
  ) {
    this.device = new Device({ id: of.id, password: DEMO_DEVICE_PASSWORD, url });
    this.machine = of.kind === 'machine controller' ? new MachineStandIn() : null;
    if (KINDS[of.kind].silentAfterMs !== null) this.timer = setInterval(() => this.tick(), TICK_MS);
  }

  /** The units a hand tool can be set to; none where it measures by itself. */
  get units(): string[] {
    const { tells } = KINDS[this.of.kind];
    return tells === 'air' || tells === 'machine' ? [] : unitsOf(tells);
  }

  /** The button of a hand tool. */
  press(value: number, unit: string): void {
    const { tells } = KINDS[this.of.kind];
    this.say(`${value} ${unit}`, { [tells]: { value, unit } });
  }

  /** An act at a machine. @returns whether it may be done now */
  atMachine(act: (machine: MachineStandIn, nowMs: number) => boolean): boolean {
    if (!this.machine || !act(this.machine, this.device.nowMs())) return false;
    this.tellMachine();
    return true;
  }

  async stop(): Promise<void> {
    clearInterval(this.timer);
    await this.device.stop();
  }

  private tick(): void {
    // Nothing is told before it is known what time it is in the factory.
    if (this.isSilent || !this.device.connected || !this.device.hasTime) return;
    const nowMs = this.device.nowMs();
    const isOtherwise = this.machine?.tick(nowMs) === true;
    // A clock that was set ahead, or back, is a reason to speak.
    const sinceMs = Math.abs(nowMs - this.spokeMs);
    if (this.machine) {
      if (isOtherwise || sinceMs >= MACHINE_EVERY_MS) this.tellMachine();
    } else if (sinceMs >= AIR_EVERY_MS) this.tellAir(nowMs);
  }

  private tellMachine(): void {
    this.spokeMs = this.device.nowMs();
    const tells = this.machine?.tells();
    if (tells) this.say(`${tells.state}, ${tells.program ?? 'no program'}, ${tells.parts} parts`, { machine: tells });
  }

  private tellAir(nowMs: number): void {
    const zone = DEMO_ZONES.find((z) => z.id === this.of.zoneId);
    if (!zone) return;
    this.spokeMs = nowMs;
    const { tempC, relativeHumidity } = roomAir(zone, nowMs, DEMO_WEATHER_SEED);
    const percent = Number((relativeHumidity * 100).toFixed(1));
    this.say(`${tempC} °C, ${percent} %`, {
      air: { temperature: { value: tempC, unit: '°C' }, humidity: { value: percent, unit: '%' } },
    });
  }

  private say(shown: string, words: object): void {
    const tell = (answer: Answer) => {
      this.answers.unshift(`${shown}: ${'refused' in answer ? `refused. ${answer.refused}` : 'taken'}`);
      this.answers.length = Math.min(this.answers.length, SHOWN);
    };
    void this.device.say(words).then(tell);
  }
}
