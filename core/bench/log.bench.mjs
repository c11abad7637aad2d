// Speeds of the log in Node: a picture looked through, and thousands of frames put to their stops; beside a million powers of the same run.
import { DEFAULT_STANDARD } from '../dist/kit/index.js';
import {
  cropped,
  frameFacts,
  guessLesson,
  handsLesson,
  lumaOf,
  partBlur,
  placedFrames,
  placesWorked,
  proposeClock,
  readSoftness,
  softnessVerdict,
} from '../dist/log/index.js';
import { faultyShot, takeStandIn } from '../dist/stand-ins/index.js';
import { msOf, powersMs, say } from './timing.mjs';

const powers = powersMs();
const line = (what, ms, target) => {
  const times = `${(ms / powers).toFixed(1)} x a million powers (${powers.toFixed(0)} ms)`;
  say(what, `${ms.toFixed(ms < 10 ? 1 : 0)} ms`, `target ${target} ms; ${times}`);
};

const SIZE = { width: 1732, height: 1155 };
const { rgba } = takeStandIn(faultyShot('moved', 5, SIZE).shot);
const luma = lumaOf(rgba, SIZE.width, SIZE.height);
const PART = 192;
const parts = Array.from({ length: 35 }, (_, k) => cropped(luma, (k % 7) * PART, Math.floor(k / 7) * PART, PART, PART));
const reading = readSoftness(luma);
line(
  'a picture of two megapixels looked through',
  msOf(() => readSoftness(luma)),
  700,
);
line(
  '  35 parts of it at full size',
  msOf(() => parts.map(partBlur)),
  400,
);
line(
  '  its verdict',
  msOf(() => softnessVerdict(reading)),
  20,
);

const MINUTE = 60_000;
const stays = Array.from({ length: 30 }, (_, k) => ({
  stopId: `s${k}`,
  name: `Stop ${k}`,
  intent: { kind: 'passingCandid', light: 'either' },
  position: null,
  fromMs: k * 30 * MINUTE,
  toMs: (k * 30 + 20) * MINUTE,
  cards: [],
}));
const log = {
  id: 'log',
  walkId: 'w',
  name: '',
  day: '1970-01-01',
  timeZone: 'UTC',
  stays,
  cameras: [{ name: '', bodyId: 'body', shiftS: 0, shiftBy: 'typed' }],
  lenses: [],
  rolls: [],
};
const frames = Array.from({ length: 5000 }, (_, k) => ({
  ...frameFacts({ ExposureTime: 2 ** -(1 + (k % 11)), FNumber: 8, ISO: 400, FocalLength: 28, SubjectDistance: 2 + (k % 5) }),
  id: `f${k}`,
  logId: 'log',
  source: { kind: 'file', name: `A${k}.JPG`, bytes: k },
  wallMs: Math.round((k / 5000) * 890 * MINUTE),
  offsetMin: 0,
  placedByHand: null,
  verdict: k % 3 === 0 ? 'shake' : k % 7 === 0 ? 'focus' : 'good',
  sight: null,
  subjectAt: null,
}));
const placed = placedFrames(log, frames);
const body = { kind: 'body', id: 'body', sensorWidthMm: 36, sensorHeightMm: 24, pixelsAcross: 6000, stabiliserStops: 0 };
const question = { walked: [{ log, placed }], kit: [body], standard: DEFAULT_STANDARD };
line(
  '5,000 frames put to 30 stops',
  msOf(() => placedFrames(log, frames)),
  100,
);
line(
  '  their clock proposed',
  msOf(() => proposeClock(log, frames), 3),
  500,
);
line(
  '  what they say of hands',
  msOf(() => handsLesson(question)),
  100,
);
line(
  '  what they say of guesses',
  msOf(() => guessLesson(question)),
  500,
);
line(
  '  what worked where',
  msOf(() => placesWorked(question.walked)),
  100,
);
