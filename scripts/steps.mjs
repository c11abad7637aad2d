// Shared by the start and test scripts; Node's own modules only, because nothing is installed yet when they begin.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
const OLDEST_NODE = [20, 19];

export function stop(sentence) {
  process.stderr.write(`${sentence}\n`);
  process.exit(1);
}

export function say(line) {
  process.stdout.write(`${line}\n`);
}

/** "Too old" in one sentence, before anything else can fail less clearly. */
export function checkNode(version = process.versions.node) {
  const [major, minor] = version.split('.').map(Number);
  const [needMajor, needMinor] = OLDEST_NODE;
  if (major > needMajor || (major === needMajor && minor >= needMinor)) return;
  stop(`Roam Dial needs Node ${needMajor}.${needMinor} or newer; this is ${version}.`);
}

function filesBelow(folder, into = []) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    if (['node_modules', 'dist', '.angular', 'test-results'].includes(entry.name)) continue;
    const path = join(folder, entry.name);
    if (entry.isDirectory()) filesBelow(path, into);
    else into.push(path);
  }
  return into;
}

/** One figure for the state of some files: names, sizes and contents. */
export function fingerprint(paths) {
  const hash = createHash('sha256');
  for (const path of paths) {
    const full = join(ROOT, path);
    if (!existsSync(full)) continue;
    const files = statSync(full).isDirectory() ? filesBelow(full).sort() : [full];
    for (const file of files) hash.update(file.slice(ROOT.length)).update(readFileSync(file));
  }
  return hash.digest('hex');
}

function stampPath(name) {
  return join(ROOT, 'node_modules', '.cache', 'roam-dial', name);
}

function isUpToDate(name, print, proof) {
  const path = stampPath(name);
  return existsSync(join(ROOT, proof)) && existsSync(path) && readFileSync(path, 'utf8') === print;
}

function stamp(name, print) {
  mkdirSync(dirname(stampPath(name)), { recursive: true });
  writeFileSync(stampPath(name), print);
}

export function run(command, args, { quiet = false, env = {} } = {}) {
  const { status, stdout, stderr } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: quiet ? 'pipe' : 'inherit',
    encoding: 'utf8',
    env: { ...process.env, ...env },
  });
  return { ok: status === 0, output: `${stdout ?? ''}${stderr ?? ''}` };
}

/** The same in several packages at once: each one's output is told whole, when it ends. */
export async function runTogether(commands) {
  const ends = commands.map(
    (args) =>
      new Promise((resolve) => {
        const child = spawn('npm', args, { cwd: ROOT });
        const told = [];
        child.stdout.on('data', (part) => told.push(part));
        child.stderr.on('data', (part) => told.push(part));
        child.on('close', (status) => {
          process.stdout.write(Buffer.concat(told));
          resolve(status === 0);
        });
      }),
  );
  return (await Promise.all(ends)).every(Boolean);
}

export function install() {
  const print = fingerprint([
    'package-lock.json',
    'package.json',
    'core/package.json',
    'app/package.json',
    'server/package.json',
    'e2e/package.json',
  ]);
  if (isUpToDate('install', print, 'node_modules/.package-lock.json')) return;
  say('Installing what it needs (once, a minute or two)…');
  const { ok, output } = run('npm', ['ci', '--no-audit', '--no-fund'], { quiet: true });
  if (!ok) {
    const isOffline = /ENOTFOUND|EAI_AGAIN|ECONNREFUSED|ETIMEDOUT|ENETUNREACH|network/i.test(output);
    if (isOffline) stop('The packages could not be fetched: there is no way to the npm registry. Connect and try again.');
    stop(`The packages could not be installed:\n${output.trim().split('\n').slice(-12).join('\n')}`);
  }
  stamp('install', print);
}

export function build() {
  const parts = [
    { name: 'core', proof: 'core/dist/index.js', sources: ['core/src', 'core/tsconfig.json', 'core/package.json'] },
    { name: 'server', proof: 'server/dist/main.js', sources: ['server/src', 'server/package.json'] },
    {
      name: 'app',
      proof: 'app/dist/browser/index.html',
      sources: ['core/src', 'app/src', 'app/public', 'app/angular.json', 'app/ngsw-config.json', 'app/package.json'],
    },
  ];
  for (const { name, proof, sources } of parts) {
    const print = fingerprint([...sources, 'package-lock.json']);
    if (isUpToDate(name, print, proof)) continue;
    say(`Building ${name}…`);
    const { ok, output } = run('npm', ['run', `build:${name}`], { quiet: true });
    if (!ok) stop(`${name} could not be built:\n${output.trim()}`);
    if (/\[WARNING\].*budget/i.test(output)) stop(`${name} is over its size budget:\n${output.trim()}`);
    stamp(name, print);
  }
}

/** Debian's Chromium, installed where it is missing and that may be done; says so where it may not. */
/** What the tests open things with, each a program and Debian's package of it. */
const DEBIAN = [
  { program: '/usr/bin/chromium', package: 'chromium', what: 'Chromium, for the browser tests' },
  { program: '/usr/bin/exiftool', package: 'libimage-exiftool-perl', what: 'exiftool, which reads the tags of frames' },
  { program: '/usr/bin/gpsbabel', package: 'gpsbabel', what: 'gpsbabel, which opens the GPX files' },
  { program: '/usr/bin/pdftotext', package: 'poppler-utils', what: 'poppler, which opens the field cards' },
  { program: '/usr/lib/python3/dist-packages/icalendar', package: 'python3-icalendar', what: 'a reader of calendars' },
];

/** Installs what is missing of it; a browser under another name will do. */
export function testPrograms() {
  const missing = DEBIAN.filter(
    ({ program }) => !existsSync(program) && !(program.endsWith('chromium') && chromiumPath() !== null),
  );
  if (missing.length === 0) return;
  const isRoot = process.getuid?.() === 0;
  const packages = missing.map((one) => one.package);
  if (!isRoot || !existsSync('/usr/bin/apt-get')) {
    stop(`The tests need programs that only an administrator may install: apt-get install ${packages.join(' ')}, then try again.`);
  }
  say(`Installing from Debian: ${missing.map(({ what }) => what).join('; ')}…`);
  const install = ['install', '-y', '-qq', ...packages];
  const done = run('apt-get', ['update', '-qq'], { quiet: true }).ok && run('apt-get', install, { quiet: true }).ok;
  if (!done) stop(`${packages.join(', ')} could not be installed from Debian’s packages; the tests need them.`);
}

function chromiumPath() {
  return ['/usr/bin/chromium', '/usr/bin/chromium-browser'].find(existsSync) ?? null;
}

/** Where the browser of the tests is. */
export function chromium() {
  const path = chromiumPath();
  if (path === null) stop('The browser tests need Chromium.');
  return path;
}

export function startServer(env = {}) {
  return spawn(process.execPath, [join(ROOT, 'server/dist/main.js')], {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, ...env },
  });
}
