import { spawn } from 'node:child_process';
import { ROOT } from './run.mjs';

/** Starts the server and waits until it serves. @returns a handle to stop it */
export function startServer(env, { quiet = false } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(process.execPath, ['server/dist/main.js'], {
      cwd: ROOT,
      env: { ...process.env, ...env },
      stdio: ['ignore', quiet ? 'ignore' : 'inherit', 'inherit', 'ipc'],
      detached: true,
    });
    const exited = new Promise((done) => child.on('exit', (code) => done(code ?? 1)));
    const stop = async () => {
      if (child.exitCode === null) child.kill('SIGTERM');
      return exited;
    };
    child.on('message', (message) => message === 'ready' && resolve({ stop, exited, pid: child.pid }));
    void exited.then((code) => reject(new Error(`The server ended with code ${code}`)));
  });
}
