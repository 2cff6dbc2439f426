import { createServer } from 'node:http';
import { ownBroker, startBroker, startStandIns } from './devices.mjs';
import { freePort } from './port.mjs';
import { lengthenLists } from './longLists.mjs';
import { prepareDatabase, serve } from './server.mjs';

/**
 * Opens factories for whoever walks through them: each is a server of its own on its own copy of a database, so that no
 * walk rests on who walked before. They are asked for over HTTP: `POST /demo`, `/long` (lists of years), `/empty`
 * or `/devices` (the demo with a broker, and stand-ins for its devices) answers with the address of one; `DELETE` of that path ends it.
 *
 * @param clockAt where the clock of each begins
 * @returns the address to ask at, and how to end them all
 */
export async function openFactories(cluster, clockAt) {
  await prepareDatabase({ ...cluster.env(), CLOCK_AT: clockAt });
  await lengthenLists(await cluster.createDatabase('long_lists', { copyOf: cluster.database }));
  await cluster.createDatabase('empty_factory');
  await prepareDatabase({ ...cluster.env('empty_factory'), CLOCK_AT: clockAt, DEMO: '0' });
  const copyOf = { '/demo': cluster.database, '/long': 'long_lists', '/empty': 'empty_factory', '/devices': cluster.database };

  const opened = new Map();
  const open = async (kind) => {
    const name = `walk_${opened.size + 1}`;
    const port = await freePort();
    const address = `http://127.0.0.1:${port}`;
    await cluster.createDatabase(name, { copyOf: copyOf[kind] });
    const own = kind === '/devices' ? await ownBroker({ anyPort: true }) : null;
    const broker = own === null ? null : await startBroker(own);
    const server = await serve({ ...cluster.env(name), ...own?.env, PORT: String(port), CLOCK_AT: clockAt, DEMO: '0' });
    const standIns = own === null ? null : await startStandIns(own.url, { anyPort: true });
    opened.set(
      address,
      [standIns, server, broker].filter((part) => part !== null),
    );
    return { address, ...(standIns === null ? {} : { standIns: standIns.address }) };
  };
  // One at a time: a database that is being copied is let alone.
  let last = Promise.resolve();
  const asker = createServer((request, response) => {
    const answer = (status, text) => response.writeHead(status, { 'content-type': 'text/plain' }).end(text);
    const { pathname, searchParams } = new URL(request.url, 'http://127.0.0.1');
    last = last
      .then(async () => {
        if (request.method === 'POST' && pathname in copyOf) return answer(200, JSON.stringify(await open(pathname)));
        const ended = request.method === 'DELETE' ? opened.get(searchParams.get('address')) : undefined;
        if (ended === undefined) return answer(404, `No such factory: ${pathname}`);
        for (const part of ended) await part.stop();
        answer(204);
      })
      .catch((error) => answer(500, String(error)));
  });
  await new Promise((resolve) => asker.listen(0, '127.0.0.1', resolve));
  return {
    address: `http://127.0.0.1:${asker.address().port}`,
    async stop() {
      asker.close();
      await Promise.all([...opened.values()].flat().map((part) => part.stop()));
    },
  };
}
