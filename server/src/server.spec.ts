import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { type AddressInfo, connect } from 'node:net';
import type { Server } from 'node:http';
import { request } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import { createApp } from './app.js';
import { endWithin } from './connections.js';
import { readHost, readPort } from './port.js';

let folder: string;
let server: Server;
let port: number;

interface Answer {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly body: string;
}

/** Raw paths go out as they are: fetch would tidy `..` away. */
function ask(path: string, method = 'GET', headers: Record<string, string> = {}): Promise<Answer> {
  return new Promise((resolve, reject) => {
    const asked = request({ host: '127.0.0.1', port, path, method, headers }, (response) => {
      let body = '';
      response.on('data', (chunk: Buffer) => (body += chunk.toString()));
      response.on('end', () => resolve({ status: response.statusCode ?? 0, headers: response.headers, body }));
    });
    asked.on('error', reject).end();
  });
}

beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'roam-dial-'));
  const build = join(folder, 'build');
  mkdirSync(join(build, 'media'), { recursive: true });
  writeFileSync(join(folder, 'secret.txt'), 'secret');
  writeFileSync(join(build, 'index.html'), '<title>Roam Dial</title>');
  writeFileSync(join(build, 'chunk-ABCD1234.js'), 'x');
  writeFileSync(join(build, 'chunk-ABCD1234.js.br'), brotliCompressSync('x'));
  writeFileSync(join(build, 'media', 'marker-ABCD1234.png'), 'x');
  writeFileSync(join(build, 'ngsw.json'), '{}');
  writeFileSync(join(build, '.hidden'), 'hidden');
  server = createApp(build).listen(0, '127.0.0.1');
  await new Promise((resolve) => server.on('listening', resolve));
  port = (server.address() as AddressInfo).port;
});
afterAll(() => {
  server.close();
  rmSync(folder, { recursive: true });
});

describe('what is served', () => {
  it('every room is the one page', async () => {
    for (const path of ['/', '/walk', '/kit?walk=1', '/no/such/room']) {
      const { status, body } = await ask(path);
      expect([path, status, body.includes('Roam Dial')]).toEqual([path, 200, true]);
    }
  });

  it('a missing file is missing, not the page', async () => {
    expect((await ask('/chunk-GONE0000.js')).status).toBe(404);
    expect((await ask('/media/')).body).not.toContain('chunk');
  });

  it.each([
    '/../secret.txt',
    '/..%2fsecret.txt',
    '/%2e%2e/secret.txt',
    '/media/../../secret.txt',
    '/..\\secret.txt',
    '/.hidden',
    '/%00',
  ])('keeps %s to itself', async (path) => {
    const { status, body } = await ask(path);
    expect(body).not.toContain('secret');
    expect(body).not.toContain('hidden');
    expect(status).toBeGreaterThanOrEqual(400);
  });

  it.each(['POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS'])('does not answer %s', async (method) => {
    const { status, headers } = await ask('/walk', method);
    expect(status).toBe(405);
    expect(headers['allow']).toBe('GET, HEAD');
  });

  it('answers HEAD without a body', async () => {
    expect(await ask('/walk', 'HEAD')).toMatchObject({ status: 200, body: '' });
  });
});

describe('headers', () => {
  it('carries a strict policy without eval or foreign origins', async () => {
    const { headers } = await ask('/walk');
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("default-src 'none'");
    expect(policy).toContain("style-src-attr 'none'");
    expect(policy).toContain("script-src 'self';");
    expect(policy).not.toMatch(/unsafe-eval|https?:|\*/);
    expect(headers['x-content-type-options']).toBe('nosniff');
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('hands over the compressed copy that lies beside a file, and the file itself to whoever cannot read it', async () => {
    const packed = await ask('/chunk-ABCD1234.js', 'GET', { 'accept-encoding': 'gzip, br' });
    expect(packed.headers['content-encoding']).toBe('br');
    expect(packed.headers['content-type']).toContain('javascript');
    expect(packed.headers['cache-control']).toContain('immutable');
    expect((await ask('/chunk-ABCD1234.js')).body).toBe('x');
  });

  it('keeps hashed files for good and asks again for the rest', async () => {
    expect((await ask('/chunk-ABCD1234.js')).headers['cache-control']).toContain('immutable');
    expect((await ask('/media/marker-ABCD1234.png')).headers['cache-control']).toContain('immutable');
    expect((await ask('/ngsw.json')).headers['cache-control']).toBe('no-cache');
    expect((await ask('/walk')).headers['cache-control']).toBe('no-cache');
  });
});

describe('the host', () => {
  it.each([
    [undefined, '127.0.0.1'],
    ['', '127.0.0.1'],
    ['  ', '127.0.0.1'],
    ['0.0.0.0', '0.0.0.0'],
  ])('%j is %j', (text, expected) => expect(readHost(text)).toBe(expected));
});

describe('the meter in the hand', () => {
  /** Text of the stream until it has so many readings, and the way to leave it. */
  function listen(
    readings: number,
  ): Promise<{ text: string; type: string | undefined; status: number | undefined; leave: () => void }> {
    return new Promise((resolve, reject) => {
      const asked = request({ host: '127.0.0.1', port, path: '/api/meter?ngsw-bypass' }, (response) => {
        let text = '';
        const done = (): void =>
          resolve({ text, type: response.headers['content-type'], status: response.statusCode, leave: () => asked.destroy() });
        response.on('end', done);
        response.on('error', () => undefined);
        response.on('data', (chunk: Buffer) => {
          text += chunk.toString();
          if (text.split('event: reading').length > readings) done();
        });
      });
      asked.on('error', reject).end();
    });
  }
  it('streams readings of the made-up scene, each with its number', async () => {
    const { text, type, leave } = await listen(2);
    leave();
    expect(type).toBe('text/event-stream; charset=utf-8');
    const said = [...text.matchAll(/id: (\d+)\nevent: reading\ndata: (.*)\n\n/g)].map(([, id, data]) => [
      id,
      JSON.parse(data ?? '{}'),
    ]);
    expect(said.map(([id]) => id)).toEqual(['0', '1']);
    expect(said[0]?.[1]).toMatchObject({ count: 0, name: 'the white wall' });
  });
  it('turns away who comes when too many listen, and lets others in when they leave', async () => {
    const all = await Promise.all(Array.from({ length: 32 }, () => listen(1)));
    expect((await listen(1)).status).toBe(503);
    for (const { leave } of all) leave();
    await new Promise((resolve) => setTimeout(resolve, 100));
    const again = await listen(1);
    again.leave();
    expect(again.status).toBe(200);
  });
});

describe('the end', () => {
  it('comes in time, whoever holds a connection open without asking, or asks by halves', async () => {
    const own = createApp(join(folder, 'build')).listen(0, '127.0.0.1');
    await new Promise((resolve) => own.on('listening', resolve));
    const at = (own.address() as AddressInfo).port;
    const silent = connect(at, '127.0.0.1');
    const half = connect(at, '127.0.0.1');
    await Promise.all([silent, half].map((socket) => new Promise((resolve) => socket.on('connect', resolve))));
    half.write('GET /walk HTTP/1.1\r\nHost: x\r\n');
    const closed = Promise.all([silent, half].map((socket) => new Promise((resolve) => socket.on('close', resolve))));
    for (const socket of [silent, half]) socket.on('error', () => undefined);
    await new Promise((resolve) => setTimeout(resolve, 50));
    await endWithin(own, 200);
    await closed;
    expect(own.listening).toBe(false);
  });
});

describe('the port', () => {
  it.each([
    [undefined, 4310],
    ['', 4310],
    ['8080', 8080],
    ['0', 0],
    ['70000', null],
    ['http', null],
    ['1.5', null],
    ['0x10', null],
    ['1e3', null],
    [' 8080 ', 8080],
  ])('%j is %j', (text, expected) => expect(readPort(text)).toBe(expected));
});
