// Speeds of the bench in Node: milliseconds a megapixel, beside a million powers of the same run.
import { METER_PATTERNS } from '../dist/kit/index.js';
import { answerOf, BUILT_IN_SCENES, keyOnMap, paintScene, prepareMap, renderMap, toneHistogram } from '../dist/metering/index.js';
import { msOf, powersMs, say } from './timing.mjs';

const powers = powersMs();
const times = (ms) => `${(ms / powers).toFixed(1)} x a million powers (${powers.toFixed(0)} ms)`;

const raw = { kind: 'raw', overEv: 3, underEv: 8 };
const figures = BUILT_IN_SCENES.map((scene) => {
  const map = paintScene(scene);
  const prepared = prepareMap(map);
  const key = keyOnMap(prepared, scene.keys[0]);
  const body = { straightOverEv: 2.3, markStep: 'third' };
  const ask = { at: scene.focus, body, school: 'hold', medium: raw };
  const exposureEv = key.exposureEv;
  return {
    built: msOf(() => paintScene(scene), 3),
    prepared: msOf(() => prepareMap(map)),
    patterns: msOf(() => METER_PATTERNS.map((pattern) => answerOf(prepared, key, { ...ask, pattern }))),
    rendered: msOf(() => renderMap(prepared, { medium: raw, exposureEv, whiteBalanceK: 5500, kelvin: scene.kelvin })),
    histogram: msOf(() => toneHistogram(prepared.histogram, raw, exposureEv)),
  };
});
const TARGETS = { built: 300, prepared: 60, patterns: 2, rendered: 12, histogram: 1 };
const WORDS = {
  built: 'a scene painted, a megapixel (worst of 13)',
  prepared: '  made ready to be metered',
  patterns: '  all five patterns',
  rendered: '  rendered at an exposure',
  histogram: '  its histogram',
};
for (const [what, target] of Object.entries(TARGETS)) {
  const worst = Math.max(...figures.map((one) => one[what]));
  say(WORDS[what], `${worst.toFixed(worst < 10 ? 1 : 0)} ms`, `target ${target} ms; ${times(worst)}`);
}
