import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import * as published from './index.js';

/** What docs/core.md names before it names another door, row by row. */
const promised = readFileSync(join(__dirname, '../../docs/core.md'), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('|'))
  .flatMap((row) => [...(row.split('`@roam-dial')[0] as string).matchAll(/`([a-zA-Z0-9]+)`/g)].map((match) => match[1] as string));

describe('the core’s promise to scripts', () => {
  it('names as many functions as it keeps, and keeps each', () => {
    expect(promised.length).toBeGreaterThan(60);
    expect(promised.filter((name) => typeof (published as Record<string, unknown>)[name] !== 'function')).toEqual([]);
    expect(Object.keys(published).filter((name) => !promised.includes(name))).toEqual([]);
  });
});
