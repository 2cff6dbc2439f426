import { createServer, type RequestListener, type Server } from 'node:http';
import { ExpressAdapter } from '@nestjs/platform-express';

/** What comes slower than this is cut: a form of a few megabytes over a factory's network takes seconds. */
const ARRIVAL_MS = 25_000;
const LOOKED_AT_MS = 2_500;
/** Longer than a proxy before it keeps its connections, which must never meet one that is just being closed. */
const KEPT_ALIVE_MS = 75_000;
const DRAINED_MS = 10_000;
const SWEPT_MS = 50;

/**
 * Serves HTTP with bounds on how slowly a request may come, and stops in order: nothing new is taken, what is at work
 * is answered, and after ten seconds whatever is left is cut.
 */
export class HttpAdapter extends ExpressAdapter {
  private draining: Promise<void> | undefined;

  /** @param bounds other times than usual, for tests that cannot wait */
  constructor(private readonly bounds = { arrivalMs: ARRIVAL_MS, lookedAtMs: LOOKED_AT_MS, drainedMs: DRAINED_MS }) {
    super();
  }

  override initHttpServer(): void {
    this.httpServer = createServer(
      {
        headersTimeout: this.bounds.arrivalMs,
        requestTimeout: this.bounds.arrivalMs,
        connectionsCheckingInterval: this.bounds.lookedAtMs,
        keepAliveTimeout: KEPT_ALIVE_MS,
        maxHeaderSize: 16 * 1024,
      },
      this.getInstance<RequestListener>(),
    );
  }

  override close(): Promise<void> {
    this.draining ??= drain(this.httpServer, this.bounds.drainedMs);
    return this.draining;
  }
}

function drain(server: Server, mostMs: number): Promise<void> {
  if (!server.listening) return Promise.resolve();
  return new Promise((resolve) => {
    const sweep = setInterval(() => server.closeIdleConnections(), SWEPT_MS);
    const cut = setTimeout(() => server.closeAllConnections(), mostMs);
    server.close(() => {
      clearInterval(sweep);
      clearTimeout(cut);
      resolve();
    });
  });
}
