import { timingSafeEqual } from 'node:crypto';
import { Controller, Get, Injectable, Req, Res, type OnApplicationShutdown } from '@nestjs/common';
import { ApiOkResponse, ApiProduces, ApiTags } from '@nestjs/swagger';
import type { Request, RequestHandler, Response } from 'express';
import type pg from 'pg';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import { DataSource } from 'typeorm';
import type { PostgresDriver } from 'typeorm/driver/postgres/PostgresDriver.js';
import { Allow } from '../identity/role.ts';
import { Problem } from '../problems/problems.ts';
import { Environment } from '../settings/environment.ts';
import { routeOfRequest } from './logging.ts';

/** Counts and timings of this process. */
@Injectable()
export class Metrics implements OnApplicationShutdown {
  readonly registry = new Registry();
  readonly shed = new Counter({
    name: 'crane_requests_shed_total',
    help: 'Requests sent away because too many were at work',
    registers: [this.registry],
  });
  readonly streams = new Gauge({ name: 'crane_event_streams', help: 'Open streams of events', registers: [this.registry] });
  private readonly requests = new Histogram({
    name: 'crane_request_seconds',
    help: 'How long requests took, by route and status',
    labelNames: ['method', 'route', 'status'],
    buckets: [0.005, 0.01, 0.025, 0.05, 0.1, 0.2, 0.5, 1, 2, 5, 10],
    registers: [this.registry],
  });

  constructor(database: DataSource) {
    collectDefaultMetrics({ register: this.registry, prefix: 'crane_' });
    const pool = () => (database.driver as PostgresDriver).master as pg.Pool | undefined;
    new Gauge({
      name: 'crane_database_connections',
      help: 'Connections to the database, open, idle, and waited for',
      labelNames: ['state'],
      registers: [this.registry],
      collect() {
        const now = pool();
        this.set({ state: 'open' }, now?.totalCount ?? 0);
        this.set({ state: 'idle' }, now?.idleCount ?? 0);
        this.set({ state: 'waited for' }, now?.waitingCount ?? 0);
      },
    });
  }

  /** Times every request. */
  timing(): RequestHandler {
    return (request, response, next) => {
      const end = this.requests.startTimer();
      response.once('finish', () => end({ method: request.method, route: routeOfRequest(request), status: response.statusCode }));
      next();
    };
  }

  onApplicationShutdown(): void {
    this.registry.clear();
  }
}

@ApiTags('health')
@Controller('metrics')
export class MetricsController {
  constructor(
    private readonly metrics: Metrics,
    private readonly environment: Environment,
  ) {}

  /** For a collector on this machine; for one elsewhere with the token that METRICS_TOKEN holds. */
  @Get()
  @Allow('public')
  @ApiProduces('text/plain')
  @ApiOkResponse({ schema: { type: 'string' } })
  async read(@Req() request: Request, @Res() response: Response): Promise<void> {
    if (!this.mayRead(request))
      throw new Problem(403, 'not-allowed', 'Not allowed', 'Metrics are read from this machine, or with their token.');
    response.type(this.metrics.registry.contentType).send(await this.metrics.registry.metrics());
  }

  private mayRead(request: Request): boolean {
    const { metricsToken } = this.environment;
    const given = /^Bearer (.+)$/.exec(request.header('Authorization') ?? '')?.[1];
    if (metricsToken !== undefined && given !== undefined) return isSame(given, metricsToken);
    // A proxy on this machine speaks for people elsewhere, and says so.
    const forwarded = request.header('X-Forwarded-For') ?? request.header('Forwarded');
    return forwarded === undefined && /^(127\.|::1$|::ffff:127\.)/.test(request.socket.remoteAddress ?? '');
  }
}

function isSame(a: string, b: string): boolean {
  const [given, wanted] = [Buffer.from(a), Buffer.from(b)];
  return given.length === wanted.length && timingSafeEqual(given, wanted);
}
