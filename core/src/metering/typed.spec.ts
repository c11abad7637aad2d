import fc from 'fast-check';
import { isoFor, readTyped } from './index.js';

describe('a reading as it is typed', () => {
  const at = { iso: 100, step: 'third' } as const;
  it.each([
    ['12.3', 12.3],
    ['12,3', 12.3],
    // f/8 at 1/1024 s and ISO 400: 6 + 10 − 2.
    ['1/1,000 8 400', 14],
    ['f8 1/60 12,800', 5],
    ['-2', -2],
    ['EV 9', 9],
    // 2·log2 8 = 6, log2 125 is 7 by its mark, log2 4 = 2.
    ['1/125 8 400', 11],
    ['8 1/125 400', 11],
    ['400 f/8 1/125', 11],
    ['f8 1/60', 12],
    ['f8 4s', 4],
    // 2·log2 4 = 4, log2 60 is 6 by its mark, log2 8 = 3.
    ['1/60 f/4 ISO 800', 7],
    ['ISO 800, f 4, 1/60 s', 7],
    ['f/ 4 1/60 sec iso800', 7],
  ])('%j is EV %d', (text, ev) => {
    const read = readTyped(text, at);
    expect(read.ok ? read.ev100 : read.message).toBeCloseTo(ev, 9);
  });
  it('knows a frame from an EV', () => {
    expect(readTyped('EV 9', at)).toEqual({ ok: true, ev100: 9, isFrame: false, offEv: 0 });
    expect(readTyped('f8 1/60', at)).toMatchObject({ isFrame: true });
  });
  it.each([
    ['f8 1/60 400 +1', 11, 1],
    ['f8 1/60 400 -2/3', 10 - 2 / 3, -2 / 3],
    ['f8 1/60 400 −2', 8, -2],
  ])('%j is a test shot: EV %d, off by %d', (text, ev100, offEv) => {
    expect(readTyped(text, at)).toEqual({
      ok: true,
      ev100: expect.closeTo(ev100, 9),
      isFrame: true,
      offEv: expect.closeTo(offEv, 9),
    });
  });
  it('takes the roll’s ISO where it is left out', () => {
    const read = readTyped('1/125 8', { iso: 400, step: 'third' });
    expect(read.ok ? read.ev100 : NaN).toBeCloseTo(11, 9);
  });
  it.each([
    '',
    'bright',
    '99',
    '1/125',
    '8 400',
    'f8 f4 1/60',
    '1/125 8 400 200',
    'f0 1/60',
    '1/125 8 0',
    '1/8000 f64 50',
    '60s f1 25600',
    'f999 1/60',
    'f1e-321 1/60',
    'f8 7201s 50',
  ])('refuses %j in words', (text) => {
    const read = readTyped(text, at);
    expect(read.ok ? '' : read.message.length > 10).toBe(true);
  });
  it('throws at nothing', () => {
    fc.assert(fc.property(fc.string(), (text) => typeof readTyped(text, at).ok === 'boolean'));
  });
});

describe('the ISO for an exposure', () => {
  const isoMarks = [100, 200, 400, 800];
  it('is the nearest mark, or the one on the wanted side, or none', () => {
    // f/8 at 1/128 is EV 13 at ISO 100; 11.5 asks for 283.
    const frame = { fNumber: 8, shutterS: 1 / 128, isoMarks };
    expect(isoFor(11.4, { ...frame, side: 'nearest' })).toBe(400);
    expect(isoFor(11.4, { ...frame, side: 'less' })).toBe(200);
    expect(isoFor(11.6, { ...frame, side: 'more' })).toBe(400);
    expect(isoFor(15, { ...frame, side: 'nearest' })).toBeNull();
    expect(isoFor(9, { ...frame, side: 'nearest' })).toBeNull();
  });
});
