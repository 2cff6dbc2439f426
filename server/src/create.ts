import { constants } from 'node:zlib';
import { ValidationPipe, type INestApplication } from '@nestjs/common';
import { DocumentBuilder, SwaggerModule, type OpenAPIObject } from '@nestjs/swagger';
import type { ValidationError } from 'class-validator';
import compression from 'compression';
import cookieParser from 'cookie-parser';
import helmet from 'helmet';
import type { NestExpressApplication } from '@nestjs/platform-express';
import { Problem, type FieldProblem } from './platform/problems/problems.ts';

const BODY_LIMIT = '8mb';

/** What every instance has, whether it serves, is tested or only describes itself. */
export function furnish(app: INestApplication): void {
  const express = app as NestExpressApplication;
  express.useBodyParser('json', { limit: BODY_LIMIT });
  express.disable('x-powered-by');
  app.setGlobalPrefix('api');
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
      strictTransportSecurity: false,
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
  app.useGlobalPipes(
    new ValidationPipe({
      whitelist: true,
      forbidNonWhitelisted: true,
      transform: true,
      exceptionFactory: toProblem,
    }),
  );
  app.enableShutdownHooks();
}

function toProblem(errors: ValidationError[]): Problem {
  const fields = errors.flatMap((error) => flatten(error, ''));
  return new Problem(400, 'bad-input', 'Check the input', fields.map((f) => f.message).join('. '), {
    fields,
  });
}

function flatten(error: ValidationError, prefix: string): FieldProblem[] {
  const field = `${prefix}${error.property}`;
  const own = Object.values(error.constraints ?? {}).map((message) => ({ field, message }));
  return [...own, ...(error.children ?? []).flatMap((child) => flatten(child, `${field}.`))];
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
