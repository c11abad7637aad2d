import type { Server } from 'node:http';

/** How long somebody who has connected may take to say what they want. */
const ASKS_WITHIN_MS = 10_000;
const STAYS_IDLE_MS = 5000;

/** Nobody holds a connection open without asking. */
export function limitWaiting(server: Server): void {
  server.headersTimeout = ASKS_WITHIN_MS;
  server.requestTimeout = ASKS_WITHIN_MS;
  server.keepAliveTimeout = STAYS_IDLE_MS;
}

/**
 * Ends a server: no one new is let in, those who wait for nothing are sent away at once, and those who are being answered
 * have until the time is up.
 */
export function endWithin(server: Server, timeMs: number): Promise<void> {
  return new Promise((resolve) => {
    const late = setTimeout(() => server.closeAllConnections(), timeMs);
    server.close(() => {
      clearTimeout(late);
      resolve();
    });
    server.closeIdleConnections();
  });
}
