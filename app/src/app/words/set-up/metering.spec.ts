import { type Medium, placeKey } from '@roam-dial/core/metering';
import type { Reading } from '@roam-dial/core/stop';
import { mediumSentence, placementSentence, rangeWaySentence } from './metering';
import { Wording } from '../wording';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const RAW: Medium = { kind: 'raw', overEv: 3, underEv: 8 };
const SLIDE: Medium = { kind: 'slide', overEv: 2, underEv: 2.5 };
const read = (name: string, ev100: number, over: Partial<Reading> = {}): Reading => ({
  id: name,
  name,
  kind: 'spot',
  ev100,
  tone: null,
  takenMs: 0,
  isLetGo: false,
  isLamp: false,
  isKey: false,
  ...over,
});
const WALL = [read('the wall', 16, { tone: 2, isKey: true }), read('the coat', 13), read('the doorway', 8)];

function say(readings: readonly Reading[], medium: Medium, school: 'hold' | 'protect' = 'hold'): string {
  const placement = placeKey(readings, medium, school);
  return placement === null ? '' : placementSentence(placement, readings, medium, WORDING);
}

describe('where the key is put, in words', () => {
  it('says when all of it is held', () => {
    expect(say(WALL, RAW)).toBe('the wall at +2. All that is kept is held.');
  });
  it('says what is lost, and by how much the range is too wide', () => {
    expect(say(WALL, SLIDE)).toBe(
      'the wall at +2; the doorway is lost in black by 3.5 stops. The range is 3.5 stops wider than slide film holds.',
    );
  });
  it('says how the key comes out, and which keys would hold all', () => {
    const tram = [read('the face', 12, { tone: 0, isKey: true }), read('the lamp', 15.5)];
    expect(say(tram, RAW)).toContain('the lamp is lost in white by 0.5 stop. A key between ');
    expect(say(tram, RAW, 'protect')).toMatch(/^the face comes out .* darker than wanted/);
  });
  it('leaves out of it what may be lost', () => {
    const gone = WALL.map((one) => (one.name === 'the doorway' ? { ...one, isLetGo: true } : one));
    expect(say(gone, SLIDE)).not.toContain('doorway');
  });
  it('says what another medium would hold', () => {
    const hold = placeKey(WALL, RAW, 'hold');
    expect(hold === null ? '' : mediumSentence(hold, RAW, WORDING)).toBe('+3.0 and −8.0: holds it, with 3 stops to spare');
    const slide = placeKey(WALL, SLIDE, 'hold');
    expect(slide === null ? '' : mediumSentence(slide, SLIDE, WORDING)).toBe('+2.0 and −2.5: 3.5 stops too little');
  });
});

describe('ways out of a range that is too wide, in words', () => {
  const told = (way: Parameters<typeof rangeWaySentence>[0]): string => rangeWaySentence(way, WALL, WORDING, (ev) => `1/${ev}`);
  it.each([
    [{ kind: 'medium', name: 'a raw file', spareEv: 2.7 } as const, 'A raw file holds it, with 2⅔ stops to spare.'],
    [{ kind: 'letGo', readingId: 'the doorway', end: 'dark', stillShortEv: 0 } as const, 'Let the doorway go: then it fits.'],
    [
      { kind: 'letGo', readingId: 'the wall', end: 'bright', stillShortEv: 0.5 } as const,
      'Let the wall go: 0.5 stop still too wide.',
    ],
    [{ kind: 'inShade', stillShortEv: 0 } as const, 'Take all of it in the shade: then it fits.'],
    [{ kind: 'silhouette', lostReadings: 1 } as const, 'Make it a silhouette: 1 reading goes black.'],
    [
      { kind: 'bracket', bracket: { frames: 5, stepEv: 2, middleEv: 10 } } as const,
      'Bracket: 5 frames 2 stops apart about EV 10, the longest 1/6; walkers come out double.',
    ],
    [{ kind: 'pull', stillShortEv: 1 } as const, 'Have the film pulled a stop: 1 stop still too wide.'],
  ])('%j', (way, words) => expect(told(way)).toBe(words));
  it('of flash says what it gives over the light that is there', () => {
    expect(told({ kind: 'flash', liftEv: 3.5, overAmbientEv: 3.4 })).toMatch(
      /^Flash on the darkest, .* over the light there: it comes up by 3.5 stops\.$/,
    );
  });
});
