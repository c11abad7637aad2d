// npm test: everything that must hold, in the order in which it fails fastest.
import { build, checkNode, chromium, install, run, say } from './steps.mjs';

checkNode();
install();
const browser = chromium();

const checks = [
  ['format', 'format:check'],
  ['lint', 'lint'],
  ['dependency rule', 'deps:check'],
  ['core, for its types', 'build:core'],
  ['types', 'typecheck'],
  ['unit tests', 'unit'],
  ['build, with budgets', null],
  ['end to end', 'e2e'],
];

let passed = 0;
const failed = [];
for (const [name, script] of checks) {
  say(`\n== ${name}`);
  const begun = Date.now();
  if (script === null) {
    build();
    passed++;
  } else if (run('npm', ['run', '--silent', script], { env: { CHROMIUM: browser } }).ok) passed++;
  else failed.push(name);
  say(`== ${name}: ${failed.includes(name) ? 'FAILED' : 'fine'}, ${((Date.now() - begun) / 1000).toFixed(0)} s`);
}
if (failed.length > 0) say(`\nFailed: ${failed.join(', ')}`);
say(`\nchecks: ${passed} passed, ${failed.length} failed`);
process.exit(failed.length === 0 ? 0 : 1);
