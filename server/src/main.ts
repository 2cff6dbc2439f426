import 'reflect-metadata';
import { existsSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.ts';
import { furnish } from './create.ts';
import { migrate, ownerDataSource } from './database.ts';
import { isEmpty, loadDemo } from './demo/load.ts';
import { FactoryClock } from './platform/clock/clock.ts';

const DEFAULT_PORT = 3000;
const wantsDemo = process.env['DEMO'] !== '0';

/** Brings the database up to date, and fills an empty one with the demo factory. */
async function prepare(): Promise<void> {
  await migrate();
  if (!wantsDemo) return;
  const owner = await ownerDataSource().initialize();
  try {
    if (!(await isEmpty(owner))) return;
    const startedMs = Date.now();
    const { entries } = await loadDemo(owner, new FactoryClock().nowMs());
    console.log(`Demo factory loaded: ${entries} logbook entries in ${((Date.now() - startedMs) / 1000).toFixed(1)} s`);
  } finally {
    await owner.destroy();
  }
}

async function serve(): Promise<void> {
  const webRoot = fileURLToPath(new URL('../../web/dist', import.meta.url));
  const app = await NestFactory.create(AppModule.create(existsSync(webRoot) ? webRoot : undefined), {
    logger: ['error', 'warn'],
    bodyParser: false,
    forceCloseConnections: true,
  });
  furnish(app);
  await app.listen(Number(process.env['PORT'] ?? DEFAULT_PORT), process.env['HOST'] ?? '127.0.0.1');
  process.send?.('ready');
}

try {
  await prepare();
  await serve();
} catch (error) {
  // A failed query carries all its parameters; its message is what helps.
  console.error(
    error instanceof Error
      ? `${error.name}: ${error.message}\n${
          error.stack
            ?.split('\n')
            .filter((l) => l.includes('server/dist'))
            .join('\n') ?? ''
        }`
      : error,
  );
  process.exit(1);
}
