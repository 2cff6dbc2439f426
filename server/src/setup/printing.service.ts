import { Injectable, StreamableFile } from '@nestjs/common';
import type { Request } from 'express';
import { Clock } from '../platform/clock/clock.ts';
import type { Print } from '../platform/http/pdf.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';

/** Who prints, when, and where the codes on the paper lead. */
@Injectable()
export class PrintingService {
  constructor(
    private readonly settings: SettingsService,
    private readonly clock: Clock,
  ) {}

  async of(request: Request): Promise<Print> {
    const { factory, workWeek } = await this.settings.all();
    return {
      factory: factory.name,
      timeZone: workWeek.timeZone,
      address: `${request.protocol}://${request.header('Host') ?? 'localhost'}`,
      nowMs: this.clock.nowMs(),
    };
  }
}

/** A PDF shown in the browser, under a name to save it by. */
export const pdfFile = (name: string, pdf: Buffer): StreamableFile =>
  new StreamableFile(pdf, { type: 'application/pdf', disposition: `inline; filename="${name}.pdf"` });
