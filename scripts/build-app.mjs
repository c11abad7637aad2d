// Builds the app, tells it what its arithmetic is (days of light measured by another are measured again), and lays the
// compressed copies beside it.
import { compress } from './compress.mjs';
import { fingerprint, run, stop } from './steps.mjs';

const arithmetic = fingerprint(['core/src', 'app/src/app/workers']).slice(0, 16);
// Pages are chunks, and what they share would be a hundred more: put together again, they are fewer requests and smaller.
process.env.NG_BUILD_OPTIMIZE_CHUNKS = '1';
const { ok } = run('npm', ['exec', '--workspace', 'app', '--', 'ng', 'build', '--define', `ROAM_DIAL_ARITHMETIC='${arithmetic}'`]);
if (!ok) stop('The app could not be built.');
compress();
