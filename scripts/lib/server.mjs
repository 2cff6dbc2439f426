import { spawn } from 'node:child_process';
import { ROOT, run, Stop } from './run.mjs';

/** Brings the database up to date, and loads the demo where it is wanted and nothing is there. */
export async function prepareDatabase(env, { quiet = false } = {}) {
  const code = await run(process.execPath, ['server/dist/prepare.js'], {
    env: { ...process.env, ...env },
    stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit'],
  });
  if (code !== 0) throw new Stop('The database could not be prepared; what it said stands above.');
}

/** Prepares the database and serves from it. @returns a handle to stop it */
export async function startServer(env, options = {}) {
  await prepareDatabase(env, options);
  return serve(env, options);
}

/** Starts the server and waits until it serves. @returns a handle to stop it */
export function serve(env, { quiet = false } = {}) {
  const own = { ...process.env, ...env };
  // The owner's address is not for the process that people reach.
  delete own.OWNER_DATABASE_URL;
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['server/dist/main.js'], {
      cwd: ROOT,
      env: own,
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
      detached: true,
    });
    const exited = new Promise((done) => child.on('exit', (code) => done(code ?? 1)));
    const stop = async () => {
      if (child.exitCode === null) child.kill('SIGTERM');
      return exited;
    };
    child.on('message', (message) => message === 'ready' && resolve({ stop, exited, pid: child.pid }));
    void exited.then((code) => reject(new Stop(`The server ended with code ${code} before it served.`)));
  });
}
