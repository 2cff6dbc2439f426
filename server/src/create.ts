import { constants } from 'node:zlib';
import type { INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import helmet from 'helmet';
import type { NestExpressApplication } from '@nestjs/platform-express';
import type { Logger } from 'pino';
import { logRequests, makeLogger } from './platform/health/logging.ts';
import { Metrics } from './platform/health/metrics.ts';
import { answerTo, boundsOf, shedLoad } from './platform/http/doors.ts';
import { Clock } from './platform/clock/clock.ts';
import { InputPipe } from './platform/http/input.pipe.ts';
import { Environment } from './platform/settings/environment.ts';

/** Where the API lies. */
export const PREFIX = 'api';
const YEAR_SECONDS = 365 * 86_400;

/** What every instance has, whether it serves, is tested or only describes itself. */
export function furnish(app: INestApplication, logger: Logger = makeLogger('silent')): void {
  const express = app as NestExpressApplication;
  const environment = app.get(Environment);
  const metrics = app.get(Metrics);
  express.set('trust proxy', environment.trustProxy);
  const clock = app.get(Clock);
  app.use((_request: unknown, response: { setHeader(name: string, value: string): void }, next: () => void) => {
    // Real time and the factory's: a device tells by them how far its own clock is out.
    response.setHeader('X-Time', `${Date.now()} ${Math.round(clock.nowMs())}`);
    next();
  });
  app.use(
    logRequests(logger),
    metrics.timing(),
    answerTo(environment),
    shedLoad(boundsOf(environment.mostRequests), () => metrics.shed.inc()),
  );
  express.disable('x-powered-by');
  app.setGlobalPrefix(PREFIX);
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // The style engine writes its rules at run time.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'", 'blob:'],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: environment.isHttps ? { maxAge: YEAR_SECONDS } : false,
    }),
  );
  app.use(
    compression({
      // On a factory's own network an answer is sooner sent than squeezed, unless it is long.
      level: constants.Z_BEST_SPEED,
      threshold: '64kb',
      filter: (request, response) => !request.url.endsWith('/events') && compression.filter(request, response),
    }),
  );
  app.use(cookieParser());
  app.useGlobalPipes(new InputPipe());
  app.enableShutdownHooks();
}

/** The API's description, from its code. */
export function describe(app: INestApplication): OpenAPIObject {
  const config = new DocumentBuilder()
    .setTitle('Ample Crane')
    .setDescription('Instants are epoch milliseconds, quantities SI with the unit in the name. Errors are RFC 9457 problem documents.')
    .setVersion('1')
    .addCookieAuth('crane_session')
    .build();
  return SwaggerModule.createDocument(app, config, {
    operationIdFactory: (controller, method) => `${controller.replace(/Controller$/, '')}_${method}`,
  });
}
