import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { WORD_LIST, wordsPage } from './words';

describe('the list of words', () => {
  it('is the same in the app and in the docs', () => {
    expect(readFileSync(join(__dirname, '../../../../docs/words.md'), 'utf8')).toBe(wordsPage());
  });

  it.each(WORD_LIST)('explains $word in sentences of at most thirty words', ({ meaning }) => {
    for (const sentence of meaning.split(/(?<=[.:])\s/)) expect(sentence.split(/\s/).length).toBeLessThanOrEqual(30);
  });
});
