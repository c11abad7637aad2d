import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as day from './day/index.js';
import * as published from './index.js';
import * as kit from './kit/index.js';
import * as light from './light/index.js';
import * as log from './log/index.js';
import * as metering from './metering/index.js';
import * as optics from './optics/index.js';
import * as plan from './plan/index.js';
import * as setup from './setup/index.js';
import * as standIns from './stand-ins/index.js';
import * as stop from './stop/index.js';
import * as streets from './streets/index.js';
import * as units from './units/index.js';
import * as walk from './walk/index.js';

const DOCS = join(__dirname, '../../docs');

const core: Readonly<Record<string, unknown>> = {
  ...published,
  ...Object.assign({}, units, optics, light, streets, kit, stop, metering, setup, walk, day, plan, log, standIns),
};

/** Lines of a document's examples, each statement with what its comment says that it gives. */
function examplesOf(file: string): string {
  const blocks = [...readFileSync(join(DOCS, file), 'utf8').matchAll(/```js\n([\s\S]*?)```/g)].map(([, block]) => block ?? '');
  return blocks.join('\n').replace(/^(\S.*); \/\/ (.+)$/gm, 'check(() => $1, $2, `$1`);');
}

function run(file: string): number {
  let checks = 0;
  const check = (given: () => unknown, expected: unknown, line: string): void => {
    checks++;
    expect([line, given()]).toEqual([line, expected]);
  };
  const names = Object.keys(core);
  const program = new Function(...names, 'check', examplesOf(file)) as (...args: unknown[]) => void;
  program(...names.map((name) => core[name]), check);
  return checks;
}

describe('the examples of the documents', () => {
  it.each([
    ['set-up.md', 18],
    ['light.md', 24],
    ['day-plan.md', 28],
    ['metering.md', 47],
  ])('of %s give what they say', (file, checks) => {
    expect(run(file)).toBe(checks);
  });
});
