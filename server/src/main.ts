import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.ts';
import { furnish } from './create.ts';
import { makeLogger, NestLog } from './platform/health/logging.ts';
import { HttpAdapter } from './platform/http/adapter.ts';
import { Environment } from './platform/settings/environment.ts';

async function serve(): Promise<void> {
  const environment = new Environment();
  const logger = makeLogger(environment.logLevel);
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const app = await NestFactory.create(AppModule.create(existsSync(webRoot) ? webRoot : undefined), new HttpAdapter(), {
    logger: new NestLog(logger),
    bodyParser: false,
    abortOnError: false,
  });
  furnish(app, logger);
  // Started by another process, it ends with it, however that one ended.
  process.once('disconnect', () => void app.close().finally(() => process.exit(0)));
  await app.listen(environment.port, environment.host);
  process.send?.('ready');
  // Nothing else is said to it; without this a server on its own would have no channel to lose.
  process.channel?.unref();
}

try {
  await serve();
} catch (error) {
  // A failed query carries all its parameters; its message is what helps.
  console.error(error instanceof Error ? `${error.name}: ${error.message}` : error);
  process.exit(1);
}
