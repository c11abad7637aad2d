import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { homedir } from 'node:os';
import { join } from 'node:path';
import { SOFT_GROUNDS, SOURCES } from './sources.mjs';

/** Fetched once for all clones of the repository. */
export const CACHE = join(process.env.XDG_CACHE_HOME ?? join(homedir(), '.cache'), 'roam-dial-photographs');
/** Smaller carved pictures are icons. */
const LEAST_CARVED_BYTES = 40_000;
/** Fewer pixels tell nothing of a photograph of a megapixel or more. */
export const LEAST_PIXELS = 200_000;
const KEYRING = '/usr/share/keyrings/debian-archive-keyring.gpg';
const APT = ['-o', 'APT::Sandbox::User=root', '-q'];

function run(command, args, cwd) {
  return execFileSync(command, args, { cwd, encoding: 'utf8', stdio: ['ignore', 'pipe', 'inherit'] });
}

/** Sources of packages have a list of their own, so that the machine's lists stay as they are. */
function sourceOptions(into) {
  const list = join(into, 'sources.list');
  const lists = join(into, 'lists');
  mkdirSync(join(lists, 'partial'), { recursive: true });
  const suites = run('apt-get', ['indextargets', '--format', '$(REPO_URI) $(RELEASE) $(COMPONENT)'], into);
  const [uri, release, component] = (suites.split('\n').find((line) => !/security|updates/.test(line)) ?? '').split(' ');
  writeFileSync(list, `deb-src [signed-by=${KEYRING}] ${uri} ${release} ${component}\n`);
  const options = [...APT, '-o', `Dir::Etc::SourceList=${list}`, '-o', 'Dir::Etc::SourceParts=/dev/null'];
  return [...options, '-o', `Dir::State::Lists=${lists}`];
}

function unpackSource(name, into) {
  const options = sourceOptions(into);
  run('apt-get', [...options, 'update'], into);
  run('apt-get', [...options, 'source', '--download-only', name], into);
  for (const file of readdirSync(into).filter((one) => /\.orig\.tar\./.test(one))) run('tar', ['xf', file], into);
}

function unpackPackage(name, into) {
  run('apt-get', [...APT, 'download', name], into);
  const file = readdirSync(into).find((one) => one.endsWith('.deb'));
  run('dpkg-deb', ['-x', file, '.'], into);
}

function unpackFromNpm(name, version, into) {
  const [file] = run('npm', ['pack', '--silent', `${name}@${version}`], into)
    .trim()
    .split('\n')
    .slice(-1);
  run('tar', ['xzf', file], into);
  rmSync(join(into, file));
}

function unpack({ package: name, version, isSource }, into) {
  if (version !== undefined) unpackFromNpm(name, version, into);
  else if (isSource) unpackSource(name, into);
  else unpackPackage(name, into);
}

/** Where a package's files are, fetched and unpacked the first time; whole or not at all. */
export function packageFolder(source) {
  const { package: name } = source;
  const done = join(CACHE, name);
  if (existsSync(done)) return done;
  const into = join(CACHE, `.${name}`);
  rmSync(into, { recursive: true, force: true });
  mkdirSync(into, { recursive: true });
  unpack(source, into);
  renameSync(into, done);
  return done;
}

/** Pictures in a RIFF container that lie in a file one after the other. */
function carve(file, into) {
  const bytes = readFileSync(file);
  const found = [];
  for (let at = bytes.indexOf('RIFF'); at !== -1; at = bytes.indexOf('RIFF', at + 4)) {
    if (bytes.toString('latin1', at + 8, at + 12) !== 'WEBP') continue;
    const length = bytes.readUInt32LE(at + 4) + 8;
    if (length < LEAST_CARVED_BYTES) continue;
    const path = join(into, `${found.length}.webp`);
    writeFileSync(path, bytes.subarray(at, at + length));
    found.push(path);
  }
  return found;
}

function carved(root, files, resource) {
  const path = files.find((one) => one.endsWith(resource));
  const into = join(root, `carved-${resource}`);
  if (existsSync(into)) return readdirSync(into).map((name) => join(into, name));
  mkdirSync(into);
  return carve(path, into);
}

function filesUnder(folder) {
  return readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile())
    .map((entry) => join(entry.parentPath, entry.name));
}

const photograph = ({ package: of, rounds }, name, path, kind) => {
  const depth = SOFT_GROUNDS.includes(name) ? 'isolating' : 'free';
  return { name, path, kind, package: of, rounds, depth };
};

/** Every photograph of a half: its package, name, path, kind and rounds, and how deep its photographer meant it. Packages are fetched where they are not yet. */
export function photographsOf(half) {
  return SOURCES.filter((source) => source.half === half).flatMap((source) => {
    const root = packageFolder(source);
    const files = filesUnder(root);
    const named = Object.entries(source.photographs ?? {}).map(([part, kind]) => {
      const [path] = files.filter((one) => one.includes(part)).sort((a, b) => statSync(b).size - statSync(a).size);
      if (path === undefined) throw new Error(`${source.package} has no ${part}`);
      return photograph(source, `${source.package}/${part}`, path, kind);
    });
    const cut = Object.entries(source.carved ?? {}).flatMap(([resource, { kind, every }]) =>
      carved(root, files, resource)
        .filter((_, k) => k % every === 0)
        .map((path) => photograph(source, `${source.package}/${resource}/${path.split('/').at(-1)}`, path, kind)),
    );
    return [...named, ...cut];
  });
}
