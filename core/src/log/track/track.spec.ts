import { frameFacts, type LogFrame, type WalkLog } from '../frames/index.js';
import { placeOnTrack, positionsBy, trackOf, type TrackPoint, walkedOf } from './index.js';

/** East along the equator: a metre is 1/111,195 of a degree. */
const east = (metres: number, seconds: number, north = 0): TrackPoint => ({
  latitude: north / 111_195,
  longitude: metres / 111_195,
  atMs: seconds * 1000,
});

describe('a track', () => {
  it('says where one was, between two points, and not where none is near in time', () => {
    const track = [east(0, 0), east(100, 100), east(200, 900)];
    expect(placeOnTrack(track, 25_000)?.longitude).toBeCloseTo(25 / 111_195, 9);
    expect(placeOnTrack(track, 100_000)?.longitude).toBeCloseTo(100 / 111_195, 9);
    // Eight hundred seconds apart, before the first, after the last, and without any.
    expect([placeOnTrack(track, 400_000), placeOnTrack(track, -1), placeOnTrack(track, 901_000), placeOnTrack([], 0)]).toEqual([
      null,
      null,
      null,
      null,
    ]);
  });

  it('is put into the order of time, points without one left out', () => {
    const points = [east(2, 2), { latitude: 0, longitude: 0, atMs: null }, east(1, 1), east(9, 2)];
    expect(trackOf(points).map(({ atMs }) => atMs)).toEqual([1000, 2000]);
    expect(trackOf(points)[1]?.longitude).toBeCloseTo(2 / 111_195, 9);
  });

  it('gives positions to frames that have none, by their camera’s clock put right', () => {
    const log = {
      timeZone: 'UTC',
      cameras: [{ name: 'One', bodyId: null, shiftS: -3600, shiftBy: 'typed' }],
    } as unknown as WalkLog;
    const frame = (id: string, wallMs: number | null, position: LogFrame['position'] = null): LogFrame =>
      ({ ...frameFacts({}), id, bodyName: 'One', wallMs, position }) as LogFrame;
    const own = { latitude: 1, longitude: 1 };
    const frames = [frame('a', 3_650_000), frame('own', 3_650_000, own), frame('timeless', null), frame('late', 9_000_000)];
    const found = positionsBy(log, frames, [east(0, 0), east(100, 100)]);
    expect([...found.keys()]).toEqual(['a']);
    expect(found.get('a')?.longitude).toBeCloseTo(50 / 111_195, 9);
  });

  it('tells walking from standing about', () => {
    const points: TrackPoint[] = [];
    let [metres, seconds] = [0, 0];
    for (let leg = 0; leg < 5; leg++) {
      // Two hundred metres at 1.25 m/s, then five minutes on the spot, where the receiver wanders about by some metres.
      for (let k = 0; k < 160; k++) points.push(east((metres += 1.25), (seconds += 1)));
      for (let k = 0; k < 300; k++) points.push(east(metres + 4 * Math.sin(k / 7), (seconds += 1), 4 * Math.cos(k / 11)));
    }
    const { lengthM, walkingS } = walkedOf(points);
    expect(Math.abs(lengthM / 1000 - 1)).toBeLessThan(0.1);
    expect(Math.abs(lengthM / walkingS / 1.25 - 1)).toBeLessThan(0.06);
  });

  it('leaves rides and gaps out', () => {
    expect(walkedOf([east(0, 0), east(5000, 60)])).toEqual({ lengthM: 0, walkingS: 0 });
    expect(walkedOf([])).toEqual({ lengthM: 0, walkingS: 0 });
    // 20,000 km in ten million seconds is 2 m/s, and yet nobody walked there.
    expect(walkedOf([east(0, 0), east(20_000_000, 10_000_000)])).toEqual({ lengthM: 0, walkingS: 0 });
    expect(walkedOf([east(0, 0), east(400, 310)])).toEqual({ lengthM: 0, walkingS: 0 });
  });

  it('goes the short way over the line of the date', () => {
    const at = (longitude: number, atMs: number): TrackPoint => ({ latitude: 0, longitude, atMs });
    const track = [at(179.9, 0), at(-179.9, 100_000)];
    expect(placeOnTrack(track, 25_000)?.longitude).toBeCloseTo(179.95, 9);
    expect(placeOnTrack(track, 75_000)?.longitude).toBeCloseTo(-179.95, 9);
  });
});
