import { Controller, Get } from '@nestjs/common';
import { ApiOkResponse, ApiTags } from '@nestjs/swagger';
import { DataSource } from 'typeorm';
import { Out } from '../http/fields.ts';
import { Allow } from '../identity/role.ts';

export class HealthView {
  @Out() status: string;
}

export class AliveView extends HealthView {
  @Out() process: number;
}

@ApiTags('health')
@Controller('health')
export class HealthController {
  constructor(private readonly database: DataSource) {}

  /** Ready to serve: the database answers too. */
  @Get()
  @Allow('public')
  @ApiOkResponse({ type: HealthView })
  async ready(): Promise<HealthView> {
    await this.database.query('select 1');
    return { status: 'ok' };
  }

  /** The process lives, whatever else is wrong: no reason to start it anew. */
  @Get('alive')
  @Allow('public')
  @ApiOkResponse({ type: AliveView })
  alive(): AliveView {
    return { status: 'alive', process: process.pid };
  }
}
