import { correctedMoisturePct, parseReadings } from '@ample-crane/core';
import { Injectable } from '@nestjs/common';
import { parse } from 'csv-parse/sync';
import { DataSource, In } from 'typeorm';
import { LogbookService } from '../logbook/logbook.service.ts';
import { Clock } from '../platform/clock/clock.ts';
import type { Actor } from '../platform/identity/actor.ts';
import { badInput } from '../platform/problems/problems.ts';
import type { ImportRowView, ImportView } from './lot.dto.ts';
import { LotEntity } from './timber.entity.ts';

const IMPORT_COLUMNS = ['lot', 'date', 'wood_temp_c', 'readings'] as const;

/** Sessions of readings from a file. */
@Injectable()
export class ReadingsImportService {
  constructor(
    private readonly database: DataSource,
    private readonly logbook: LogbookService,
    private readonly clock: Clock,
  ) {}

  /** Reads a file of readings and says of each line whether it could be taken, and why not. Writes nothing. */
  async preview(csv: string): Promise<ImportView> {
    const rows = await this.importRows(csv);
    return {
      rows,
      good: rows.filter((r) => r.problem === null).length,
      bad: rows.filter((r) => r.problem !== null).length,
      saved: false,
    };
  }

  /** Takes the good lines of a file, each as a session of its lot; the bad ones are told, not taken. */
  async importReadings(actor: Actor, csv: string): Promise<ImportView> {
    const rows = await this.importRows(csv);
    const good = rows.filter((r) => r.problem === null);
    await this.logbook.perform(
      actor,
      { name: 'import readings', request: { csv }, concerns: { lots: good.map((r) => r.lotId) } },
      (unit) => {
        for (const row of good) {
          const lot = unit.state.get('lot', row.lotId);
          unit.record(
            'lot.read',
            { lotId: lot.id },
            {
              sessionId: `${lot.id}/${lot.sessions + 1}`,
              meter: 'pin',
              woodTempC: row.woodTempC,
              readings: parseReadings(row.text).readings.map((r) => ({
                ...r,
                correctedPct: Math.round(correctedMoisturePct(r.rawPct, row.woodTempC) * 100) / 100,
              })),
            },
            row.atMs ?? unit.nowMs,
          );
        }
        return { taken: good.length };
      },
    );
    return { rows, good: good.length, bad: rows.length - good.length, saved: true };
  }

  private async importRows(csv: string): Promise<(ImportRowView & { woodTempC: number })[]> {
    let records: Record<string, string>[];
    try {
      records = parse(csv, {
        columns: (header: string[]) => header.map((h) => h.trim().toLowerCase()),
        bom: true,
        trim: true,
        skip_empty_lines: true,
        delimiter: [',', ';', '\t'],
        relax_column_count: true,
      });
    } catch (error) {
      throw badInput('csv', `This is not a CSV file: ${error instanceof Error ? error.message : 'unreadable'}`);
    }
    const [first] = records;
    const missing = IMPORT_COLUMNS.filter((c) => first === undefined || !(c in first));
    if (missing.length > 0)
      throw badInput('csv', `The file needs a first line with the columns ${IMPORT_COLUMNS.join(', ')}; missing: ${missing.join(', ')}`);
    const lots = new Map(
      (await this.database.getRepository(LotEntity).findBy({ id: In(records.map((r) => r['lot'] ?? '')) })).map((l) => [l.id, l]),
    );
    const nowMs = this.clock.nowMs();
    return records.map((record, i) => {
      const lot = lots.get(record['lot'] ?? '');
      const atMs = Date.parse(record['date'] ?? '');
      const woodTempC = Number(record['wood_temp_c'] === '' ? NaN : record['wood_temp_c']);
      const text = record['readings'] ?? '';
      const { readings, problems } = parseReadings(text);
      const problem = !lot
        ? `There is no lot ${record['lot'] ?? ''}`
        : Number.isNaN(atMs)
          ? `"${record['date'] ?? ''}" is not a date like 2026-03-09T08:15`
          : atMs > nowMs
            ? 'The date lies in the future'
            : atMs < lot.receivedMs
              ? 'The lot was received after that'
              : !(woodTempC >= -20 && woodTempC <= 60)
                ? `Wood temperature "${record['wood_temp_c'] ?? ''}" is not between −20 and 60 °C`
                : problems.length > 0
                  ? problems.map((p) => p.message).join('. ')
                  : readings.length === 0
                    ? 'No readings'
                    : null;
      return {
        line: i + 2,
        lotId: record['lot'] ?? '',
        text,
        atMs: Number.isNaN(atMs) ? null : atMs,
        woodTempC,
        problem,
      };
    });
  }
}
