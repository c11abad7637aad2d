// npm run bench: the core in Node, then the built app in Chromium. Figures, not checks.
import { build, checkNode, chromium, testPrograms, install, run, say, startServer } from './steps.mjs';

checkNode();
install();
testPrograms();
const browser = chromium();
build();
const port = '4318';
say('== core');
run(process.execPath, ['core/bench/core.bench.mjs']);
run(process.execPath, ['core/bench/meter.bench.mjs']);
run(process.execPath, ['core/bench/log.bench.mjs']);
run(process.execPath, ['core/bench/sight.bench.mjs']);
say('== app');
const server = startServer({ PORT: port });
await new Promise((resolve) => setTimeout(resolve, 800));
const { ok } = run(process.execPath, ['e2e/bench/app.bench.mjs', `http://127.0.0.1:${port}`, browser]);
const load = run(process.execPath, ['e2e/bench/first-load.mjs', `http://127.0.0.1:${port}`, browser]);
const log = run(process.execPath, ['e2e/bench/log.bench.mjs', `http://127.0.0.1:${port}`, browser]);
const scale = run(process.execPath, ['e2e/bench/scale.bench.mjs', `http://127.0.0.1:${port}`, browser]);
server.kill();
process.exit(ok && load.ok && log.ok && scale.ok ? 0 : 1);
