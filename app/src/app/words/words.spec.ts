import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CODE_WORDS, wordsPage } from './code-words';
import { WORD_LIST } from './words';

describe('the list of words', () => {
  it('is the same in the app and in the docs', () => {
    expect(readFileSync(join(__dirname, '../../../../docs/words.md'), 'utf8')).toBe(wordsPage());
  });

  it.each([
    ['screen', WORD_LIST.map(({ word }) => word)],
    ['code', Object.keys(CODE_WORDS)],
  ])('goes by the alphabet, for the %s', (_, words) => {
    expect(words).toEqual([...words].sort((a, b) => a.localeCompare(b, 'en', { sensitivity: 'base' })));
  });

  it.each(WORD_LIST)('explains $word in sentences of at most thirty words', ({ meaning }) => {
    for (const sentence of meaning.split(/(?<=[.:])\s/)) expect(sentence.split(/\s/).length).toBeLessThanOrEqual(30);
  });
});
