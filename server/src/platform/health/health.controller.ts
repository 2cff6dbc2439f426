import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Out } from '../http/fields.ts';
import { Allow } from '../identity/role.ts';

export class HealthView {
  @Out() status: string;
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly database: DataSource) {}

  /** Answers `ok` only when the database answers too. */
  @Get()
  @Allow('public')
  @ApiOkResponse({ type: HealthView })
  async health(): Promise<HealthView> {
    await this.database.query('select 1');
    return { status: 'ok' };
  }
}
