import fc from 'fast-check';
import { said } from './refusal.js';

describe('a value in a message', () => {
  it.each([
    ['north', '“north”'],
    [4, '4'],
    [undefined, 'nothing'],
    [null, 'nothing'],
    [[1, 2], 'a list of 2'],
    [{ a: 1 }, 'an object'],
    [Object.create(null), 'an object'],
  ])('%p is %j', (value, words) => {
    expect(said(value)).toBe(words);
  });
  it('is short, and never throws', () => {
    fc.assert(fc.property(fc.anything({ withNullPrototype: true }), (value) => said(value).length <= 64));
  });
});
