import type { ClockKind } from '@ample-crane/core';
import { InOneOf, InPart, InText, InTexts, Out, OutEnum, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

const TEMP_UNITS = ['C', 'F'] as const;
const HUMIDITY_UNITS = ['percent', 'fraction'] as const;
const CLOCKS = ['local', 'standard'] as const;
const CSV_MAX = 6_000_000;
/** How a meter's or logger's file comes in. */
export const CSV_FILE = { bytes: CSV_MAX, as: 'utf8' } as const;

export class MeterColumnsDto {
  @InText() lot: string;
  @InText() time: string;
  @InText({ nullable: true }) woodTemp: string | null;
  @InOneOf(TEMP_UNITS) tempUnit: 'C' | 'F';
  @InText({ nullable: true }) depth: string | null;
  @InTexts({ max: 60 }) readings: string[];
}

export class MeterCsvDto {
  /** the file's text */
  @InText({ min: 0, max: CSV_MAX, lines: true, verbatim: true }) csv: string;
  /** how its columns are to be understood; guessed or remembered when left out */
  @InPart(() => MeterColumnsDto, { optional: true }) columns?: MeterColumnsDto;
}

export class LoggerColumnsDto {
  @InText() time: string;
  @InText() temp: string;
  @InText() humidity: string;
  @InOneOf(TEMP_UNITS) tempUnit: 'C' | 'F';
  @InOneOf(HUMIDITY_UNITS) humidityUnit: 'percent' | 'fraction';
}

export class LoggerCsvDto {
  @InText() zoneId: string;
  @InText({ min: 0, max: CSV_MAX, lines: true, verbatim: true }) csv: string;
  @InPart(() => LoggerColumnsDto, { optional: true }) columns?: LoggerColumnsDto;
  /** whether the logger followed clock changes; told from the file when left out */
  @InOneOf(CLOCKS, { optional: true }) clock?: ClockKind;
}

export class ImportRowView {
  @Out() line: number;
  @Out() lotId: string;
  @Out() text: string;
  @OutOrNull(Number) atMs: number | null;
  @OutOrNull(String) problem: string | null;
}

export class ImportView {
  @OutList(() => String) header: string[];
  @OutPart(() => MeterColumnsDto) columns: MeterColumnsDto;
  /** the columns are those somebody chose for such a file before */
  @Out() remembered: boolean;
  @OutList(() => ImportRowView) rows: ImportRowView[];
  @Out() good: number;
  @Out() bad: number;
  @Out() saved: boolean;
}

export class LoggerProblemView {
  @Out() line: number;
  @Out() text: string;
  @Out() problem: string;
}

export class SilenceView {
  @Out() fromMs: number;
  @Out() toMs: number;
}

export class LoggerView {
  @OutList(() => String) header: string[];
  @OutPart(() => LoggerColumnsDto) columns: LoggerColumnsDto;
  @Out() remembered: boolean;
  @OutEnum(CLOCKS) clock: ClockKind;
  /** days and months could be the other way round */
  @Out() ambiguous: boolean;
  @Out() good: number;
  @OutList(() => LoggerProblemView) problems: LoggerProblemView[];
  @OutList(() => SilenceView) gaps: SilenceView[];
  /** times between which clocks were changed */
  @OutList(() => Number) clockChanges: number[];
  @OutOrNull(Number) fromMs: number | null;
  @OutOrNull(Number) toMs: number | null;
  /** samples of the zone already known in that time, which these replace */
  @Out() replaced: number;
  @Out() saved: boolean;
}
