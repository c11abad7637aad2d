import { existsSync } from 'node:fs';
import { createServer } from 'node:http';
import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createApp } from './app.js';
import { endWithin, limitWaiting } from './connections.js';
import { readHost, readPort } from './port.js';

const host = readHost(process.env['HOST']);
const buildFolder = resolve(dirname(fileURLToPath(import.meta.url)), '../../app/dist/browser');

function stop(sentence: string): never {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

const port = readPort(process.env['PORT']);
if (port === null) stop(`PORT must be a whole number from 0 to 65535, got "${process.env['PORT'] ?? ''}".`);
if (!existsSync(join(buildFolder, 'index.html'))) stop('There is no build to serve yet: run npm run build first.');

const server = createServer(createApp(buildFolder));
limitWaiting(server);
server.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code === 'EADDRINUSE')
    stop(`Port ${port} is taken by another program: set PORT to a free one, as in PORT=4311 npm start.`);
  if (error.code === 'EACCES') stop(`Port ${port} may not be used by this account: set PORT to one above 1023.`);
  stop(`The server could not start: ${error.message}.`);
});
server.listen(port, host, () => {
  const address = server.address();
  const actual = typeof address === 'object' && address !== null ? address.port : port;
  process.stdout.write(`Roam Dial is on http://${host}:${actual}\n`);
});
const ENDS_WITHIN_MS = 2500;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => void endWithin(server, ENDS_WITHIN_MS).then(() => process.exit(0)));
}
