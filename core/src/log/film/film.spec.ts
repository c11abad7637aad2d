import { BODY } from '../../../reference/sampleKit.js';
import type { Film } from '../../kit/index.js';
import { frameFacts, frameMs, type LogFrame, type LogRoll, thumbnailIdOf, type WalkLog } from '../frames/index.js';
import {
  exposedAt,
  exposedByCard,
  frameCounter,
  framesToScan,
  inCountedOrder,
  isScan,
  loadedRoll,
  rollFrame,
  rollIn,
  shiftedScans,
} from './index.js';

const FILM = { id: 'film', exposureIndex: 800, pushStops: 1 } as Film;
const FILM_BODY = { ...BODY, id: 'old', medium: 'film' as const, sensorWidthMm: 36 };
const roll: LogRoll = loadedRoll('r', FILM_BODY, FILM);
const NAMES = { bodyName: 'Old one', lensName: '' };
const HERE = { stopId: 's', wallMs: 0, offsetMin: 60 };
const exposed = (number: number, scan: string | null = null): LogFrame => {
  const frame = rollFrame({ id: `f${number}`, logId: 'log', number }, roll, NAMES, null, HERE);
  const its = scan === null ? null : { name: scan, bytes: 1, sightId: `sight of ${scan}` };
  return { ...frame, source: { kind: 'roll', rollId: 'r', number, scan: its } };
};
const scansOf = (frames: readonly LogFrame[] | null) =>
  frames?.map(({ source }) => (source.kind === 'roll' ? (source.scan?.name ?? null) : 'file'));

describe('a roll of film', () => {
  it('is loaded with the index and push of its film, and the frames of its format', () => {
    expect(roll).toEqual({ id: 'r', bodyId: 'old', filmId: 'film', exposureIndex: 800, pushStops: 1, frames: 36 });
    expect(loadedRoll('w', { ...FILM_BODY, sensorWidthMm: 56 }, null)).toMatchObject({ filmId: null, frames: 12, pushStops: 0 });
  });

  it('counts on from the last frame, whichever walk it was exposed on', () => {
    expect(frameCounter([], 'r')).toBe(1);
    expect(frameCounter([exposed(11), { ...exposed(12), logId: 'other' }, exposed(3)], 'r')).toBe(13);
    expect(frameCounter([exposed(11)], 'another')).toBe(1);
  });

  it('lies in its body until another is loaded', () => {
    const log = (day: string, rolls: readonly LogRoll[]): WalkLog => ({ day, rolls }) as WalkLog;
    const later = { ...roll, id: 'later' };
    expect(rollIn([log('2027-03-14', [later]), log('2027-03-13', [roll])], 'old')?.id).toBe('later');
    expect(rollIn([log('2027-03-14', [later])], 'another')).toBeNull();
  });

  it('has frames as the card has them, at the index of the roll', () => {
    const used = exposedByCard({ fNumber: 8, shutterS: 1 / 250, focusM: Infinity, focalLengthMm: 35 } as never);
    const frame = rollFrame({ id: 'f', logId: 'log', number: 4 }, roll, NAMES, used, HERE);
    // Endless is no distance that a frame could be held against.
    expect(frame).toMatchObject({ fNumber: 8, shutterS: 1 / 250, iso: 800, focalLengthMm: 35, focusM: null });
    expect(frame).toMatchObject({ placedByHand: { stopId: 's' }, wallMs: 0, offsetMin: 60, verdict: null });
  });
});

describe('the instant of a frame of film', () => {
  it('is that of the clock by which it was written down, in summer time too', () => {
    const log = { cameras: [], timeZone: 'Europe/Rome' };
    for (const iso of ['2027-03-13T17:20:00Z', '2027-10-31T00:30:00Z', '2027-10-31T01:30:00Z']) {
      const atMs = Date.parse(iso);
      const frame = rollFrame({ id: 'f', logId: 'log', number: 1 }, roll, NAMES, null, exposedAt(atMs, 'Europe/Rome', null));
      expect(frameMs(log, frame)).toBe(atMs);
    }
  });
});

describe('scans', () => {
  it('are files that no camera made, in the order in which one counts', () => {
    expect(isScan(frameFacts({}))).toBe(true);
    expect(isScan(frameFacts({ ExposureTime: 0.01 }))).toBe(false);
    const names = ['scan 10.jpg', 'scan 9.jpg', 'Scan 1.jpg'].map((name) => ({ name }));
    expect(inCountedOrder(names).map(({ name }) => name)).toEqual(['Scan 1.jpg', 'scan 9.jpg', 'scan 10.jpg']);
  });

  it('go to the frames that wait for one, roll by roll, by the counter', () => {
    const other = (number: number): LogFrame => ({
      ...exposed(number),
      id: `o${number}`,
      source: { kind: 'roll', rollId: 'o', number, scan: null },
    });
    const waiting = framesToScan([exposed(10), other(1), exposed(9), exposed(2, 'a.jpg')], ['o', 'r']);
    expect(waiting.map(({ id }) => id)).toEqual(['o1', 'f9', 'f10']);
  });

  it('move one frame on or back with what was measured in them, and never off the roll', () => {
    const sight = { looksLike: 'good', confidence: 0.8, midToneEv: 0 } as const;
    const frames = [{ ...exposed(1, 'a'), sight, verdict: 'no' as const }, exposed(2, 'b'), exposed(3)];
    const on = shiftedScans(frames, 'r', 1);
    expect(scansOf(on)).toEqual([null, 'a', 'b']);
    // The picture goes with its scan, the verdict stays with its frame.
    expect(on?.[1]).toMatchObject({ sight, verdict: null });
    expect(on?.[0]).toMatchObject({ sight: null, verdict: 'no' });
    expect(thumbnailIdOf(on?.[1] as LogFrame)).toBe('sight of a');
    expect(shiftedScans(on ?? [], 'r', 1)).toBeNull();
    expect(scansOf(shiftedScans(on ?? [], 'r', -1))).toEqual(['a', 'b', null]);
    expect(shiftedScans(frames, 'r', -1)).toBeNull();
  });
});
