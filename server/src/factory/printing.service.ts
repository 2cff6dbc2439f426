import { Injectable, StreamableFile } from '@nestjs/common';
import type { Request } from 'express';
import { Clock } from '../platform/clock/clock.ts';
import type { Print } from '../platform/http/pdf.ts';
import { Environment } from '../platform/settings/environment.ts';
import { SettingsService } from '../platform/settings/settings.service.ts';

/** Who prints, when, and where the codes on the paper lead. */
@Injectable()
export class PrintingService {
  constructor(
    private readonly settings: SettingsService,
    private readonly clock: Clock,
    private readonly environment: Environment,
  ) {}

  async of(request: Request): Promise<Print> {
    const { factory, workWeek } = await this.settings.all();
    return {
      factory: factory.name,
      timeZone: workWeek.timeZone,
      address: this.environment.addressFor(request),
      nowMs: this.clock.nowMs(),
    };
  }
}

/** A PDF shown in the browser, under a name to save it by. */
export const pdfFile = (name: string, pdf: Buffer): StreamableFile =>
  new StreamableFile(pdf, { type: 'application/pdf', disposition: `inline; filename="${name}.pdf"` });
