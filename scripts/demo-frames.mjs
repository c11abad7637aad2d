// Takes the frames of the demo's earlier walk with the made-up camera, a week before the demo's day: into app/public/demo.json
// its log and what each frame says and was called, into app/public/demo-frames small pictures and what was measured in them. The
// same every time. After `npm run build:core` and scripts/demo-town.
import { mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import jpeg from 'jpeg-js';
import { writeArchive } from '../core/dist/formats/archive/index.js';
import { readArchive } from '../core/dist/formats/reading/index.js';
import { dayClock } from '../core/dist/light/index.js';
import {
  momentOfStayAt,
  frameFacts,
  pictureReading,
  lumaOf,
  packedReading,
  plannedSceneEv,
  readSoftness,
  softnessVerdict,
  staysOf,
  unpackedReading,
} from '../core/dist/log/index.js';
import { momentOf } from '../core/dist/outing/index.js';
import { kitInHand, lightFor, lightInputFor, setUpInputFor, siteOf } from '../core/dist/plan/index.js';
import { dialCard } from '../core/dist/setup/index.js';
import { faultyShot, takeStandIn } from '../core/dist/stand-ins/index.js';
import { stopDay } from '../core/dist/stop/index.js';
import { marksOf } from '../core/dist/units/index.js';
import { cloudOf } from '../core/dist/walk/index.js';
import { numbersFrom } from './demo-town/plane.mjs';
import { throughJpeg } from './through-jpeg.mjs';

const PUBLIC = join(dirname(dirname(fileURLToPath(import.meta.url))), 'app/public');
const FILE = join(PUBLIC, 'demo.json');
const PICTURES = join(PUBLIC, 'demo-frames');
const SEED = 20270306;
const DAYS_BEFORE = 7;
const SIZE = { width: 1200, height: 800 };
const SMALLER = 3;
const QUALITY = 78;
/** Of the files that the frames are measured in. */
const FILE_QUALITY = 88;
const MINUTE_MS = 60_000;
const HOUR_MS = 3_600_000;

/**
 * What happened at six of the stops: the scene, what its light was against the model, and of each frame what became of it, the
 * shutter that it was taken at, and whether somebody has decided of it.
 */
const DAY = [
  {
    stop: 'tannery',
    scenes: ['whiteWall'],
    offsetEv: 0.2,
    shots: 'good/500 good/500 good/250 shake/3 good/500 good/500 good/250 good/500?',
  },
  {
    stop: 'vessen',
    scenes: ['evenStreet'],
    offsetEv: -1,
    shots: 'good/500 moved/125 good/500 good/250 focus/500 moved/125 good/500 good/500?',
  },
  {
    stop: 'orrel',
    scenes: ['lightPool'],
    offsetEv: 0.3,
    shots: 'good/1000 good/2000 moved/250 good/2000 good/1000 good/2000 good/1000 good/2000?',
  },
  {
    stop: 'causey',
    scenes: ['backLitLane'],
    offsetEv: -0.3,
    shots: 'good/500 veil/500 good/1000 good/500 veil/500 good/500 shake/2 veil/500?',
  },
  {
    stop: 'weir',
    scenes: ['arcade'],
    offsetEv: 0,
    shots: 'good/1000 good/500 good/1000 noise/1000 good/8 good/4 shake/4 good/1000?',
  },
  {
    stop: 'arcade',
    scenes: ['wetStreet'],
    offsetEv: -0.7,
    shots: 'good/60 moved/30 moved/30 good/60 moved/15 noise/125 moved/30 moved/30?',
  },
];

const read = readArchive(readFileSync(FILE, 'utf8'));
if (!read.ok) throw new Error([read.message, ...read.problems].join('; '));
const { archive } = read;
const planned = archive.walks[0];
const earlier = new Date(Date.parse(`${planned.day}T00:00:00Z`) - DAYS_BEFORE * 86_400_000).toISOString().slice(0, 10);
const walk = { ...planned, day: earlier };
const clock = dayClock(walk.day, walk.place.timeZone);
/** What an instant is ahead of the wall's clock, read as though its zone were UTC. */
const aheadOfWallMs = clock.msAt(0) - Date.parse(`${walk.day}T00:00:00Z`);
const draw = numbersFrom(SEED);

/** As cameras write it: the number on the nearest mark. */
function marked(iso) {
  const away = ({ exact }) => Math.abs(Math.log2(exact / iso));
  const marks = marksOf('iso', 'third').filter(({ exact }) => exact > 99 && exact < 26_000);
  return Number(marks.reduce((best, mark) => (away(mark) < away(best) ? mark : best)).name);
}

const measured = new Map();
function dayAt(stop) {
  if (!measured.has(stop.id)) {
    const site = siteOf(archive, walk, stop);
    const input = { ...lightInputFor(archive, walk, stop), day: walk.day, cloud: cloudOf(walk) };
    measured.set(stop.id, stopDay({ ...input, streets: site.kind === 'none' ? null : site.site }));
  }
  return measured.get(stop.id);
}

/** The card of a stop at an instant, as the program keeps it. */
function momentAt(stop, atMs) {
  const minute = Math.round((atMs - clock.msAt(0)) / MINUTE_MS);
  const kit = kitInHand(archive.kit, walk, stop);
  const light = lightFor(walk, stop, minute, dayAt(stop));
  return momentOf({ light, result: dialCard(setUpInputFor(archive, walk, stop, kit, light)), stop, kit });
}

const stays = staysOf(walk, null, (stop, fromMs, toMs) =>
  [0, 0.5, 1].map((share) => ({
    atMs: fromMs + share * (toMs - fromMs),
    moment: momentAt(stop, fromMs + share * (toMs - fromMs)),
  })),
);

function smaller({ width, height, rgba }) {
  const [wide, tall] = [width / SMALLER, height / SMALLER];
  const data = new Uint8Array(4 * wide * tall);
  for (let row = 0; row < tall; row++) {
    for (let column = 0; column < wide; column++) {
      let sum = 0;
      for (let k = 0; k < SMALLER * SMALLER; k++) {
        sum += rgba[4 * ((SMALLER * row + Math.floor(k / SMALLER)) * width + SMALLER * column + (k % SMALLER))];
      }
      data.fill(sum / SMALLER ** 2, 4 * (row * wide + column), 4 * (row * wide + column) + 4);
    }
  }
  return jpeg.encode({ width: wide, height: tall, data }, QUALITY).data;
}

rmSync(PICTURES, { recursive: true, force: true });
mkdirSync(PICTURES, { recursive: true });
const log = {
  id: 'demo-log',
  walkId: walk.id,
  name: walk.name,
  day: walk.day,
  timeZone: walk.place.timeZone,
  stays,
  cameras: [{ name: 'Made-up Body One', bodyId: walk.bodyId, shiftS: -3600, shiftBy: 'frames' }],
  lenses: [{ name: 'Made-up 28', lensId: 'demo-28' }],
  rolls: [],
};
const frames = [];
const readings = {};
for (const { stop: stopId, scenes, offsetEv, shots } of DAY) {
  const stay = stays.find((one) => one.stopId === stopId);
  shots.split(' ').forEach((shot, k, all) => {
    const [, fault, per, asked] = /^(\w+)\/(\d+)(\?)?$/.exec(shot);
    const number = frames.length + 1;
    const id = `demo-frame-${String(number).padStart(2, '0')}`;
    const made = faultyShot(fault, SEED + 97 * number, SIZE, scenes);
    const picture = takeStandIn(made.shot);
    const kept = packedReading(readSoftness(lumaOf(throughJpeg(picture, FILE_QUALITY), SIZE.width, SIZE.height)));
    const reading = unpackedReading(kept);
    const atMs = Math.round(stay.fromMs + ((k + 0.5) / all.length) * (stay.toMs - stay.fromMs));
    const card = momentOfStayAt(stay, atMs);
    // Settings that put the picture's middle tone where it lies, in the light that there was.
    const sceneEv =
      plannedSceneEv({ ...card, compensationEv: card.compensationEv ?? 0 }, stay.intent) + offsetEv + 0.5 * (draw() - 0.5);
    const [fNumber, shutterS] = [made.shot.fNumber, 1 / Number(per)];
    const iso = 100 * 2 ** (Math.round(3 * (Math.log2(fNumber ** 2 / shutterS) - sceneEv + reading.midToneEv)) / 3);
    const { focalLengthMm } = made.shot;
    const settings = { fNumber, shutterS, iso: marked(iso), focalLengthMm };
    const sight = pictureReading(reading, softnessVerdict(reading, made.subjectAt, settings));
    writeFileSync(join(PICTURES, `${id}.jpg`), smaller(picture));
    const { windows, traces, ...rest } = kept;
    const text = (bytes) => Buffer.from(bytes).toString('base64');
    readings[id] = { ...rest, windows: text(windows), traces: traces && { ...traces, parts: text(traces.parts) } };
    frames.push({
      id,
      logId: log.id,
      source: { kind: 'file', name: `A${String(number).padStart(4, '0')}.JPG`, bytes: 9_000_000 + Math.round(1e6 * draw()) },
      ...frameFacts({}),
      // Its clock is an hour ahead of the wall's.
      wallMs: atMs - aheadOfWallMs + HOUR_MS,
      bodyName: 'Made-up Body One',
      lensName: 'Made-up 28',
      ...settings,
      compensationEv: card.compensationEv,
      pattern: card.pattern,
      hasFlashed: false,
      focusM: Math.round(10 * made.shot.focusM) / 10,
      placedByHand: null,
      verdict: asked === undefined ? fault : null,
      sight,
      subjectAt: made.subjectAt,
    });
    console.log(`${id} ${stopId} ${fault} looks like ${sight.looksLike}`);
  });
}

writeFileSync(join(PICTURES, 'readings.json'), JSON.stringify(readings));
writeFileSync(FILE, writeArchive({ ...archive, logs: [log], frames }));
