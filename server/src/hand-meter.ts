import type { RequestHandler } from 'express';
import { handReadingAt, READS_EVERY_MS } from '@roam-dial/core/stand-ins';

/** More than anybody holds at once. */
const MOST_STREAMS = 32;
/** A browser that has lost the stream may ask again after this. */
const RETRY_MS = 1000;

/** The stand-in for a meter in the hand: readings of a made-up scene as server-sent events, until whoever listens goes away. */
export function handMeter(): RequestHandler {
  let streams = 0;
  return (request, response) => {
    if (streams >= MOST_STREAMS) {
      response.status(503).setHeader('Retry-After', '5').type('text/plain').send('Too many meters are read already.\n');
      return;
    }
    response.writeHead(200, {
      'Content-Type': 'text/event-stream; charset=utf-8',
      'Cache-Control': 'no-store',
      Connection: 'keep-alive',
      'X-Accel-Buffering': 'no',
    });
    if (request.method === 'HEAD') {
      response.end();
      return;
    }
    streams++;
    let count = 0;
    const say = (): void => {
      const reading = handReadingAt(count++);
      response.write(`id: ${reading.count}\nevent: reading\ndata: ${JSON.stringify(reading)}\n\n`);
    };
    response.write(`retry: ${RETRY_MS}\n\n`);
    say();
    const timer = setInterval(say, READS_EVERY_MS);
    response.on('close', () => {
      clearInterval(timer);
      streams--;
    });
  };
}
