import { createHash } from 'node:crypto';
import { readFileSync, writeFileSync } from 'node:fs';
import { ensurePackages } from './lib/install.mjs';
import { capture, main, ROOT, run, Stop } from './lib/run.mjs';

// Writes the API's description and the web's client from the server's code; with --check, says whether they are current.
await main(async () => {
  await ensurePackages();
  if ((await run(process.execPath, ['node_modules/typescript/bin/tsc', '-b', 'core', 'devices', 'server'])) !== 0)
    throw new Stop('The server does not compile.');
  const described = await capture(process.execPath, ['server/dist/openapi.js']);
  if (described.code !== 0) throw new Stop(`The API could not be described:\n${described.err}`);
  const { default: openapiTS, astToString } = await import('openapi-typescript');
  const client = astToString(await openapiTS(JSON.parse(described.out)));
  const shape = createHash('sha256').update(described.out).digest('hex').slice(0, 16);
  const files = {
    'server/openapi.json': described.out,
    'web/src/ground/api.gen.ts': `// Made from server/openapi.json by "npm run openapi".\n${client}`,
    'web/src/ground/apiShape.gen.ts': `// Made from server/openapi.json by "npm run openapi": another one for every change of what the server answers.\nexport const API_SHAPE = '${shape}';\n`,
  };
  const stale = Object.entries(files).filter(([name, text]) => {
    try {
      return readFileSync(`${ROOT}/${name}`, 'utf8') !== text;
    } catch {
      return true;
    }
  });
  if (process.argv.includes('--check')) {
    if (stale.length > 0) throw new Stop(`Not current: ${stale.map(([name]) => name).join(', ')}. Run "npm run openapi".`);
    console.log('The API description and the client are current.');
    return;
  }
  for (const [name, text] of stale) writeFileSync(`${ROOT}/${name}`, text);
  console.log(stale.length === 0 ? 'Nothing changed.' : `Written: ${stale.map(([name]) => name).join(', ')}`);
});
