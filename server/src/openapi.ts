import 'reflect-metadata';
import { NestFactory } from '@nestjs/core';
import { AppModule } from './app.module.ts';
import { describe, PREFIX } from './create.ts';

// Prints the API's description; needs no database.
process.env['DATABASE_URL'] ??= 'postgres://unused';
const app = await NestFactory.create(AppModule.create(), { preview: true, logger: false, bodyParser: false, abortOnError: false });
app.setGlobalPrefix(PREFIX);
process.stdout.write(`${JSON.stringify(describe(app), null, 2)}\n`);
