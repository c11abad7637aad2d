import { BODY } from '../../reference/sampleKit.js';
import { DEFAULT_STANDARD, type Film, filmExposedAt, isoCeilingOf, rollIso, usualIsoCeiling } from './index.js';

describe('the ISO ceiling', () => {
  it.each([
    [44, 33, 12_800],
    [36, 24, 12_800],
    [23.5, 15.7, 6400],
    [17.3, 13, 3200],
    [13.2, 8.8, 1600],
    [6.2, 4.6, 1600],
  ])('of a new body of %d x %d mm is %d', (sensorWidthMm, sensorHeightMm, iso) => {
    expect(usualIsoCeiling({ sensorWidthMm, sensorHeightMm, baseIso: 100, highestIso: 102_400 })).toBe(iso);
  });
  it('is never over what the body has, nor under its base, and gives way to the person’s own', () => {
    const size = { sensorWidthMm: 36, sensorHeightMm: 24 };
    expect(usualIsoCeiling({ ...size, baseIso: 100, highestIso: 3200 })).toBe(3200);
    expect(usualIsoCeiling({ sensorWidthMm: 6, sensorHeightMm: 4, baseIso: 3200, highestIso: 6400 })).toBe(3200);
    const body = { ...BODY, ...size, highestIso: 102_400 };
    expect(isoCeilingOf(body, DEFAULT_STANDARD)).toBe(12_800);
    expect(isoCeilingOf(body, { ...DEFAULT_STANDARD, isoCeilingByBody: { [body.id]: 51_200 } })).toBe(51_200);
  });
});

describe('a roll exposed at an ISO', () => {
  it.each([
    [800, 1, 400],
    [200, -1, 400],
    [400, 0, 400],
    [3200, 3, 400],
  ])('of %d with a push of %d has the index %d, and is that ISO again', (iso, pushStops, exposureIndex) => {
    const film = filmExposedAt({ exposureIndex: 100, pushStops: 0 } as Film, iso, pushStops);
    expect([film.exposureIndex, film.pushStops, rollIso(film)]).toEqual([exposureIndex, pushStops, iso]);
  });
});
