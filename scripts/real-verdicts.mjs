// What faults made in photographs that nobody here made are taken for: the tables of docs/log.md. After `npm run build:core`:
//   node scripts/real-verdicts.mjs [--half heldOut|tuning] [--settings no] [--card no] [--readings FILE]
// A file of readings is made where it is not there yet, and else taken: to try verdicts without reading again.
// Photographs are fetched with the packages that ship them and kept outside of the repository, as are the frames made of them.
// The first run takes half an hour, most of it for making the frames.
import { parseArgs } from 'node:util';
import { NOT_PLANNED, packedReading, smearOf, softnessVerdict, unpackedReading } from '../core/dist/log/index.js';
import { meantOf, settingsOf } from './photographs/circumstances.mjs';
import { framesOf } from './photographs/frames.mjs';
import { readingsOf } from './photographs/kept-readings.mjs';
import { report } from './photographs/report.mjs';

const { values } = parseArgs({
  options: {
    half: { type: 'string', default: 'heldOut' },
    settings: { type: 'string', default: 'yes' },
    card: { type: 'string', default: 'yes' },
    readings: { type: 'string', default: '' },
  },
});

const frames = await framesOf(values.half);
const readings = await readingsOf(frames, values.readings);
report(
  frames.map((frame, k) => {
    const reading = unpackedReading(packedReading(readings[k]));
    const settings = values.settings === 'no' ? {} : settingsOf(frame);
    const meant = values.card === 'no' ? NOT_PLANNED : meantOf(frame);
    const { looksLike, confidence, evidence } = softnessVerdict(reading, frame.subject, settings, meant);
    const seen = smearOf(frame.fault, evidence);
    const perPixel = frame.width / reading.width;
    const smear = seen === null ? null : { ...seen, lengthPx: seen.lengthPx * perPixel };
    return { ...frame, look: looksLike, confidence, smear };
  }),
);
