import { CLOCK_KINDS, DATE_ORDERS, TEMP_UNITS, type ClockKind, type DateOrder, type TempUnit } from '@ample-crane/core';
import { InOneOf, InPart, InText, InTexts, Out, OutEnum, OutEnumOrNull, OutList, OutOrNull, OutPart } from '../platform/http/fields.ts';

const HUMIDITY_UNITS = ['percent', 'fraction'] as const;
const CSV_MAX = 6_000_000;
/** How a meter's or logger's file comes in. */
export const CSV_FILE = { bytes: CSV_MAX, as: 'utf8' } as const;

class TimeColumnsDto {
  /** date and time; the date alone where times of day have a column of their own */
  @InText() time: string;
  @InText({ nullable: true, optional: true }) timeOfDay: string | null = null;
  /** how dates are written; null where the file tells */
  @InOneOf(DATE_ORDERS, { nullable: true, optional: true }) dateOrder: DateOrder | null = null;
}

export class MeterColumnsDto extends TimeColumnsDto {
  @InText() lot: string;
  @InText({ nullable: true }) woodTemp: string | null;
  @InOneOf(TEMP_UNITS) tempUnit: TempUnit;
  @InText({ nullable: true }) depth: string | null;
  @InTexts({ max: 60 }) readings: string[];
}

class CsvDto {
  /** the file's text */
  @InText({ min: 0, max: CSV_MAX, lines: true, verbatim: true }) csv: string;
  /** how the device's clock ran; told from the file when left out */
  @InOneOf(CLOCK_KINDS, { optional: true }) clock?: ClockKind;
}

export class MeterCsvDto extends CsvDto {
  /** how its columns are to be understood; guessed or remembered when left out */
  @InPart(() => MeterColumnsDto, { optional: true }) columns?: MeterColumnsDto;
}

export class LoggerColumnsDto extends TimeColumnsDto {
  @InText() temp: string;
  @InText() humidity: string;
  @InOneOf(TEMP_UNITS) tempUnit: TempUnit;
  @InOneOf(HUMIDITY_UNITS) humidityUnit: 'percent' | 'fraction';
}

export class LoggerCsvDto extends CsvDto {
  @InText() zoneId: string;
  @InPart(() => LoggerColumnsDto, { optional: true }) columns?: LoggerColumnsDto;
}

export class TimesChoiceView {
  /** a way to read them */
  @OutEnum([...DATE_ORDERS, ...CLOCK_KINDS]) value: DateOrder | ClockKind;
  /** the file's first and last time, read so */
  @OutOrNull(Number) fromMs: number | null;
  @OutOrNull(Number) toMs: number | null;
}

/** What only a person can say of a file's times. */
export class TimesQuestionView {
  @OutEnum(['order', 'clock']) about: 'order' | 'clock';
  @OutList(() => TimesChoiceView) choices: TimesChoiceView[];
}

class FileView {
  @OutList(() => String) header: string[];
  /** the columns are those somebody chose for such a file before */
  @Out() remembered: boolean;
  /** while it is open, no line is read */
  @OutOrNull(TimesQuestionView) question: TimesQuestionView | null;
  /** how the device's clock is taken to have run; null while that is asked */
  @OutEnumOrNull(CLOCK_KINDS) clock: ClockKind | null;
  @Out() good: number;
  @Out() saved: boolean;
}

export class ImportRowView {
  @Out() line: number;
  @Out() lotId: string;
  @Out() text: string;
  @OutOrNull(Number) atMs: number | null;
  @OutOrNull(String) problem: string | null;
  /** it is on record already */
  @Out() known: boolean;
}

export class ImportView extends FileView {
  @OutPart(() => MeterColumnsDto) columns: MeterColumnsDto;
  @OutList(() => ImportRowView) rows: ImportRowView[];
  @Out() bad: number;
  /** sessions that are on record already, and are left as they are */
  @Out() known: number;
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

export class LoggerView extends FileView {
  @OutPart(() => LoggerColumnsDto) columns: LoggerColumnsDto;
  @OutList(() => LoggerProblemView) problems: LoggerProblemView[];
  @OutList(() => SilenceView) gaps: SilenceView[];
  /** times between which clocks were changed */
  @OutList(() => Number) clockChanges: number[];
  @OutOrNull(Number) fromMs: number | null;
  @OutOrNull(Number) toMs: number | null;
  /** samples of the zone already known in the time it speaks for, which these replace */
  @Out() replaced: number;
}
