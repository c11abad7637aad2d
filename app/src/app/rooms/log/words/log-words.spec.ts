import type { Evidence } from '@roam-dial/core/log';
import { shiftCodec } from '../../../fields/codec';
import { evidenceSentences, likelihoodWords, reasonSentence, seemsWords } from './evidence';
import { departureWords, looksWords, readWords, settingsWords, shiftWords } from '../../../words/log';
import { againstSentences, lightSentence, missSentences, totalSentence } from './log-against';
import { handsWords, isoWords } from './lessons';
import { Wording } from '../../../words/wording';

const wording = new Wording({ lengthUnit: 'metres', clock: '24h' });

describe('what a frame says', () => {
  it.each([
    [{ what: 'shutter', stops: 5 / 3 } as const, 'shutter 1⅔ slower'],
    [{ what: 'shutter', stops: -1.02 } as const, 'shutter 1 faster'],
    [{ what: 'iso', stops: -2.65 } as const, 'ISO 2⅔ lower'],
    [{ what: 'focus', stops: 0.66 } as const, 'focus ⅔ farther'],
  ])('%p', (departure, words) => {
    expect(departureWords(departure, wording)).toBe(words);
  });

  it('is left out where the file has none of it', () => {
    const nothing = { fNumber: null, shutterS: null, iso: null, focalLengthMm: null };
    expect(settingsWords(nothing, wording)).toBe('no settings');
    expect(settingsWords({ ...nothing, shutterS: 1 / 250 }, wording)).toBe('1/250');
  });

  it('is asked as long as nobody has decided', () => {
    expect([looksWords('moved'), looksWords('cannotTell')]).toEqual(['subject moved?', 'cannot tell']);
  });

  it('has its evidence in the order in which one looks', () => {
    const smear = { lengthPx: 14.2, directionDeg: 30.4, lineClear: 8, diameterPx: 4, discClear: 0 };
    const evidence: Evidence = {
      round: [],
      beside: [],
      rest: [],
      smear,
      subjectSmear: { ...smear, lengthPx: 22, directionDeg: 179.8 },
      trace: smear,
      subjectTrace: smear,
      smearsShare: 0,
      discsShare: 0,
      sharpPx: 1.3,
      subject: { majorPx: 4.2, minorPx: 1.1, directionDeg: 178, edges: 400 },
      sharpShare: 0.96,
      smearedShare: 0.03,
      softShare: 0.01,
      softAreaShare: 0,
      tiles: 300,
      agreement: 0.4,
      isTurn: false,
      noiseSeen: 1.25,
      blackShare: 0,
    };
    expect(evidenceSentences(evidence)).toEqual([
      'The subject is soft: blur of 4.2 px along 178°, 1.1 px across.',
      'Elsewhere: 96 % sharp, 3 % motion-blurred, 1 % out of focus.',
      'Noise 1.3 of 255; darkest tones at 0 % of the mean.',
    ]);
    expect(reasonSentence('shake', evidence)).toBe('Everything is smeared by 14.2 px along 30°.');
    expect(reasonSentence('moved', evidence)).toBe('The subject is smeared by 22.0 px along 0°; 96 % of the rest is sharp.');
    expect(reasonSentence('moved', { ...evidence, subjectSmear: null })).toBe(
      'The subject is smeared, a blur of 4.2 px where up to 1.3 px counts as sharp; 96 % of the rest is sharp.',
    );
    expect(reasonSentence('noise', evidence)).toBe('Noise of 1.3 in 255.');
    const shaken = evidenceSentences({ ...evidence, smearedShare: 0.8, agreement: 0.9, isTurn: true });
    expect(shaken[2]).toBe('The blur rotates around one point.');
  });
});

describe('how sure a verdict is', () => {
  it.each([
    [{ looksLike: 'shake', confidence: 0.9 } as const, 'Clearly camera shake'],
    [{ looksLike: 'good', confidence: 0.7 } as const, 'Probably good'],
    [{ looksLike: 'veil', confidence: 0.5 } as const, 'Perhaps haze or dirt'],
    [{ looksLike: 'cannotTell', confidence: 0 } as const, 'Cannot tell'],
  ])('%p', (verdict, words) => expect(seemsWords(verdict)).toBe(words));

  it('is told in figures, the likeliest first', () => {
    const shares = { shake: 0.72, moved: 0.2, focus: 0.075, depth: 0.004, veil: 0.001, noise: 0, good: 0 };
    expect(likelihoodWords({ shares })).toBe('camera shake 72 %, subject moved 20 %, missed focus 8 %');
  });
});

describe('a camera’s clock', () => {
  it.each([
    [3600, '+1:00:00'],
    [-5430, '−1:30:30'],
    [0, '+0:00:00'],
    [90_000, '+25:00:00'],
  ])('%d s', (shiftS, words) => {
    expect(shiftWords(shiftS)).toBe(words);
    expect(shiftCodec().parse(words)).toEqual({ ok: true, value: shiftS });
  });

  it.each([
    ['1', 3600],
    ['-0:30', -1800],
    ['+1:00', 3600],
  ])('typed as %s', (text, value) => {
    expect(shiftCodec().parse(text)).toEqual({ ok: true, value });
  });

  it.each(['', 'an hour', '1:60', '1:00:75', '--1'])('typed as %p is refused in words', (text) => {
    expect(shiftCodec().parse(text)).toMatchObject({ ok: false, message: expect.stringMatching(/^(must|has)/) });
  });
});

describe('what the numbers say', () => {
  const none = { shutter: [], aperture: [], iso: [], compensation: [], focus: [] };
  const card = { frames: 9, judged: 9, good: 5, expected: { mean: 6.2, low: 4, high: 8 }, light: null, departures: none };

  it('is whether chance allows it', () => {
    expect(againstSentences(card)).toEqual(['9 frames, 5 good.', 'The card predicted 6.2 (4 to 8 by chance).']);
    expect(againstSentences({ ...card, good: 2 })[1]).toContain('You did worse than that');
    expect(againstSentences({ ...card, good: 9 })[1]).toContain('You did better than that');
    expect(againstSentences({ ...card, judged: 3, good: 1, expected: null })).toEqual(['9 frames, 1 good of 3 marked.']);
  });

  it('is what the light was, with how far frames lie about it', () => {
    expect(lightSentence({ offsetEv: -0.95, spreadEv: 0.31, isSure: true, frames: 7 }, wording)).toBe(
      'The light was −1 EV off the model (7 frames, within 0.3 stops).',
    );
    expect(lightSentence({ offsetEv: 0.1, spreadEv: 0.3, isSure: true, frames: 1 }, wording)).toMatch(
      /^The light matched the model \(1 frame, /,
    );
    expect(lightSentence({ offsetEv: -0.7, spreadEv: 4.9, isSure: false, frames: 30 }, wording)).toMatch(
      /\(30 frames, within 4\.9 stops\), but the frames differ too much to rely on\.$/,
    );
  });

  it('is mostly one cause only where more than half of enough misses are', () => {
    const cause = (misses: number, share: number) => ({ cause: 'moved' as const, misses, share, stretches: [] });
    expect(totalSentence({ decided: 20, misses: 8, causes: [cause(6, 0.75)] })).toBe('8 of 20 missed, mostly: subject moved.');
    expect(totalSentence({ decided: 20, misses: 3, causes: [cause(3, 1)] })).toBe('3 of 20 missed.');
    expect(totalSentence({ decided: 20, misses: 0, causes: [] })).toBe('All 20 marked frames are good.');
    expect(totalSentence({ decided: 0, misses: 0, causes: [] })).toMatch(/^None of these frames is marked yet/);
  });

  it('is where they lie together, beside what lies elsewhere', () => {
    const where = { side: 'shutter' as const, from: 1 / 90.5, to: 1 / 45.25 };
    const stretch = { where, frames: 10, misses: 8, otherFrames: 20, otherMisses: 1, chance: 1e-4 };
    const [found] = missSentences(
      { decided: 30, misses: 9, causes: [{ cause: 'moved', misses: 9, share: 1, stretches: [stretch] }] },
      wording,
    );
    expect(found).toEqual({
      cause: 'moved',
      words: 'Subject moved: 9, 100 % of the misses.',
      where: ['At about 1/60: 8 of 10, elsewhere 1 of 20.'],
    });
    const hours = {
      where: { side: 'hour' as const, from: 18, to: 21 },
      frames: 4,
      misses: 4,
      otherFrames: 9,
      otherMisses: 0,
      chance: 0.001,
    };
    const [dusk] = missSentences(
      { decided: 13, misses: 4, causes: [{ cause: 'noise', misses: 4, share: 1, stretches: [hours] }] },
      wording,
    );
    expect(dusk?.where).toEqual(['Between 18:00 and 21:00: 4 of 4, elsewhere 0 of 9.']);
    const locked = { ...hours, where: { side: 'focus' as const, way: 'lockedOnSpot' as const } };
    const causes = [{ cause: 'focus' as const, misses: 4, share: 1, stretches: [locked] }];
    expect(missSentences({ decided: 13, misses: 4, causes }, wording)[0]?.where).toEqual([
      'Locked on the spot: 4 of 4, elsewhere 0 of 9.',
    ]);
  });
});

describe('what was read', () => {
  it('is told in one sentence', () => {
    expect(readWords({ read: 1, known: 0, problems: [] })).toBe('1 frame read.');
    expect(readWords({ read: 40, known: 2, problems: ['a', 'b'] })).toBe(
      '40 frames read, 2 already there, 2 files with a problem.',
    );
  });
});

describe('what the frames teach', () => {
  const found = { kind: 'found' as const, today: 0, found: 0.84, low: 0.1, high: 1.6, frames: 40, spoilt: 6 };

  it('is a figure with its band, the frames behind it and today’s', () => {
    const takes = { steadinessStops: 0.84, steadinessSpreadStops: 0.5, handTests: [] };
    expect(handsWords({ ...found, takes })).toEqual({
      figure: '+0.8 stops',
      band: '+0.1 stops to +1.6 stops',
      words:
        'Against your shutter rule, with four frames in five steady, from 40 handheld frames, 6 of them shaky. Current setting: 0 stops.',
    });
    expect(isoWords({ ...found, today: 6400, found: 3170, low: 1980, high: 5100, takes: 3170 }, wording)).toMatchObject({
      figure: 'ISO 3200',
      band: 'ISO 2000 to ISO 5000',
    });
  });

  it.each([
    ['none', 'Mark some frames as shaky or good'],
    ['few', 'Only 5 handheld frames so far; at least eight are needed.'],
    ['allFine', 'All 5 were steady'],
    ['noneFine', 'All 5 were shaky, so they do not show your limit.'],
    ['wide', '5 handheld frames are not enough to narrow it down'],
  ] as const)('says so where frames cannot carry it: %s', (why, words) => {
    const said = handsWords({ kind: 'notYet', today: -1, why, frames: 5 });
    expect([said.figure, said.words.includes(words), said.words.endsWith('Current setting: −1.0 stops.')]).toEqual([
      '',
      true,
      true,
    ]);
  });
});
