// What a frame will see, in Node: among the houses of the demo's town, at its stops, beside a million exponentials of the same run.
import { readFileSync } from 'node:fs';
import { readArchive } from '../dist/formats/reading/index.js';
import { kitInHand, sightFrameOf, sightInstantOf, sightSiteOf } from '../dist/plan/index.js';
import { frameSeenAt, measureLight, measureView, meterSight } from '../dist/sight/index.js';
import { msOf, say } from './timing.mjs';

const exponentialsMs = msOf(() => {
  let sum = 0;
  for (let k = 0; k < 1e6; k++) sum += Math.exp((k % 320) / 320);
  return sum;
});
const read = readArchive(readFileSync(new URL('../../app/public/demo.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.message);
const { archive } = read;
const [walk] = archive.walks;
const figures = { view: [], light: [], minute: [], metered: [] };
for (const stop of walk.stops) {
  const kit = kitInHand(archive.kit, walk, stop);
  const question = {
    site: sightSiteOf(archive, walk, stop).site,
    bearingDeg: stop.shootingBearingDeg,
    frame: sightFrameOf(kit, stop),
    size: { width: 240, height: 160 },
    personM: stop.subject.medianM,
  };
  const view = measureView(question);
  const light = measureLight(view);
  const { instant } = sightInstantOf(walk, stop, stop.arriveMin);
  const now = { ...instant, lamps: null };
  const sight = frameSeenAt(view, light, now);
  figures.view.push(msOf(() => measureView(question), 3));
  figures.light.push(msOf(() => measureLight(view), 3));
  figures.minute.push(msOf(() => frameSeenAt(view, light, now), 5));
  figures.metered.push(msOf(() => meterSight(view, sight, { surface: 'person', tone: 0, straightOverEv: 2.3 }), 5));
}
const WORDS = {
  view: 'a view of 240 x 160 among 781 houses, once (worst of 8)',
  light: '  its light, once',
  minute: '  a minute of it',
  metered: '  metered by all patterns',
};
const TARGETS = { view: null, light: null, minute: 2, metered: null };
const say1 = (what) => {
  const worst = Math.max(...figures[what]);
  const target = TARGETS[what] === null ? '' : `target ${TARGETS[what]}; `;
  say(
    WORDS[what],
    `${worst.toFixed(0)} ms`,
    `${target}${(worst / exponentialsMs).toFixed(1)} x a million exponentials (${exponentialsMs.toFixed(0)} ms)`,
  );
};
Object.keys(WORDS).forEach(say1);
const all = Math.max(...walk.stops.map((_, k) => figures.view[k] + figures.light[k] + figures.minute[k]));
say('  everything', `${all.toFixed(0)} ms`, `target 14; ${(all / exponentialsMs).toFixed(1)} x a million exponentials`);
