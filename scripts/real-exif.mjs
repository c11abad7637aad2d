// What the program reads of files of many cameras, against an independent reader. After `npm run build:core`:
//   node scripts/real-exif.mjs
// The files are the headers that the reader's own tests use, in the source of its Debian package; nothing of them is kept here.
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { frameFacts } from '../core/dist/log/index.js';
import { appTags } from './app-tags.mjs';
import { packageFolder } from './photographs/fetch.mjs';

const readTags = await appTags();
const root = packageFolder({ package: 'libimage-exiftool-perl', isSource: true });
const [release] = readdirSync(root, { withFileTypes: true }).filter((one) => one.isDirectory() && one.name.startsWith('Image'));
const folder = join(root, release.name, 't', 'images');
/** What a photograph may be in; the folder holds music and office files, too. */
const IS_PHOTO =
  /\.(jpe?g|jps|tiff?|png|webp|heic|hif|avif|dng|nef|nrw|cr2|cr3|crw|arw|srf|sr2|srw|raf|orf|rw2|pef|mrw|x3f|3fr|iiq)$/i;
const names = readdirSync(folder).filter((name) => IS_PHOTO.test(name));
const text = execFileSync('exiftool', ['-json', '-n', '-q', '-G0', '-EXIF:all', ...names], {
  cwd: folder,
  encoding: 'utf8',
  maxBuffer: 64e6,
  stdio: ['ignore', 'pipe', 'ignore'],
});
const theirs = new Map(JSON.parse(text).map(({ SourceFile, ...tags }) => [SourceFile, tags]));

/** A fact as both say it: the program's, and the reader's within the ranges that the program takes. */
const FACTS = {
  fNumber: (tags) => frameFacts({ FNumber: tags['EXIF:FNumber'] }).fNumber,
  shutterS: (tags) => frameFacts({ ExposureTime: tags['EXIF:ExposureTime'] }).shutterS,
  iso: (tags) => frameFacts({ ISO: Number(String(tags['EXIF:ISO'] ?? '').split(' ')[0]) || undefined }).iso,
  focalLengthMm: (tags) => frameFacts({ FocalLength: tags['EXIF:FocalLength'] }).focalLengthMm,
  wallMs: (tags) => frameFacts({ DateTimeOriginal: tags['EXIF:DateTimeOriginal'] ?? tags['EXIF:CreateDate'] }).wallMs,
  bodyName: (tags) => frameFacts({ Make: tags['EXIF:Make'], Model: String(tags['EXIF:Model'] ?? '') }).bodyName,
};
const isSame = (a, b) => a === b || (typeof a === 'number' && typeof b === 'number' && Math.abs(a - b) <= 1e-3 * Math.abs(b));

const table = Object.fromEntries(
  Object.keys(FACTS).map((fact) => [fact, { same: 0, 'both none': 0, differs: 0, 'ours alone': 0, unread: 0 }]),
);
const told = [];
for (const name of names) {
  const ours = frameFacts((await readTags(new Uint8Array(readFileSync(join(folder, name))))) ?? {});
  for (const [fact, of] of Object.entries(FACTS)) {
    const [mine, its] = [ours[fact] || null, of(theirs.get(name) ?? {}) || null];
    const how =
      its === null && mine === null
        ? 'both none'
        : its === null
          ? 'ours alone'
          : mine === null
            ? 'unread'
            : isSame(mine, its)
              ? 'same'
              : 'differs';
    table[fact][how] += 1;
    if (how === 'differs' || how === 'unread') told.push(`${name} ${fact}: ${mine} for ${its}`);
  }
}
console.log(`${names.length} files, ${Object.keys(FACTS).length} facts each`);
console.table(table);
for (const line of told) console.log(line);
