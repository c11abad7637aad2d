// npm test: everything that must hold, in the order in which it fails fastest.
import { build, checkNode, chromium, install, run, runTogether, say, testPrograms } from './steps.mjs';

checkNode();
install();
testPrograms();
const browser = chromium();

const script = (name) => () => run('npm', ['run', '--silent', name], { env: { CHROMIUM: browser } }).ok;
const UNITS = ['core', 'app', 'server'].map((name) => ['run', '--silent', 'unit', '--workspace', name]);
const READ_ONLY = ['format:check', 'lint', 'deps:check', 'typecheck', 'voice'].map((name) => ['run', '--silent', name]);

const checks = [
  ['core, for its types', script('build:core')],
  ['format, lint, dependency rule, types, plain English', () => runTogether(READ_ONLY)],
  ['unit tests', () => runTogether(UNITS)],
  [
    'build, with budgets',
    () => {
      build();
      return true;
    },
  ],
  ['end to end', script('e2e')],
];

let passed = 0;
const failed = [];
for (const [name, check] of checks) {
  say(`\n== ${name}`);
  const begun = Date.now();
  if (await check()) passed++;
  else failed.push(name);
  say(`== ${name}: ${failed.includes(name) ? 'FAILED' : 'fine'}, ${((Date.now() - begun) / 1000).toFixed(0)} s`);
}
if (failed.length > 0) say(`\nFailed: ${failed.join(', ')}`);
say(`\nchecks: ${passed} passed, ${failed.length} failed`);
process.exit(failed.length === 0 ? 0 : 1);
