import { dewPointC } from '@ample-crane/core';

/** What a sensor in a room reports. */
export interface ClimateSample {
  tempC: number;
  /** fraction 0…1 */
  relativeHumidity: number;
}

/** How a room answers to the weather. */
export interface RoomProfile {
  setTempC: number;
  /** fraction the room is humidified or dried to */
  setHumidity: number;
  /** 0: perfectly conditioned, 1: open to the weather */
  leak: number;
  /** times at which the room was not as it should be */
  troubles?: readonly { fromMs: number; toMs: number; humidityBy: number }[];
}

const HOUR_MS = 3_600_000;
const DAY_MS = 24 * HOUR_MS;
const YEAR_MS = 365.25 * DAY_MS;

/** Slow swings of the weather that never quite repeat: −1…1. */
function swing(atMs: number, periodDays: number, phase: number): number {
  return Math.sin((2 * Math.PI * atMs) / (periodDays * DAY_MS) + phase);
}

/** Outdoor air at a temperate, northern place: seasons, days, passing fronts. A pure function of time and seed. */
export function outdoorAir(atMs: number, seed: number): ClimateSample {
  const season = Math.cos((2 * Math.PI * (atMs % YEAR_MS)) / YEAR_MS - 3.5);
  const hour = Math.cos((2 * Math.PI * (atMs % DAY_MS)) / DAY_MS - 3.9);
  const fronts = 0.5 * swing(atMs, 5.3, seed) + 0.3 * swing(atMs, 8.9, seed * 1.7) + 0.2 * swing(atMs, 2.1, seed * 2.3);
  const tempC = 10 + 9 * season + 3.5 * hour + 4.5 * fronts;
  const humidity = 0.72 - 0.07 * season - 0.11 * hour - 0.16 * fronts + 0.06 * swing(atMs, 13.7, seed * 0.7);
  return { tempC, relativeHumidity: Math.min(0.98, Math.max(0.3, humidity)) };
}

/** Humidity of the same air brought to another temperature. */
function broughtTo(tempC: number, air: ClimateSample): number {
  const dewC = dewPointC(air.tempC, air.relativeHumidity);
  return Math.exp((17.625 * dewC) / (243.04 + dewC) - (17.625 * tempC) / (243.04 + tempC));
}

/**
 * The stand-in for a room's climate sensor: the room follows its settings as far as it is tight, and the weather as
 * far as it leaks. The same seed and time always give the same sample.
 */
export function roomAir(profile: RoomProfile, atMs: number, seed: number): ClimateSample {
  const outside = outdoorAir(atMs - 3 * HOUR_MS, seed);
  const tempC = profile.setTempC + profile.leak * (outside.tempC - profile.setTempC) + 0.3 * swing(atMs, 0.31, seed);
  const leaked = Math.min(0.95, Math.max(0.15, broughtTo(tempC, outside)));
  const trouble = profile.troubles?.find((t) => atMs >= t.fromMs && atMs < t.toMs)?.humidityBy ?? 0;
  const relativeHumidity =
    trouble + profile.setHumidity + profile.leak * 0.8 * (leaked - profile.setHumidity) + 0.006 * swing(atMs, 0.47, seed * 1.3);
  return {
    tempC: Math.round(tempC * 100) / 100,
    relativeHumidity: Math.round(Math.min(0.98, Math.max(0.15, relativeHumidity)) * 1000) / 1000,
  };
}
