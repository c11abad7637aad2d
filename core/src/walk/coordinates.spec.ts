import fc from 'fast-check';
import { readPlace } from './index.js';

// 46°27'18.756" is 46 + 27/60 + 18.756/3600 = 46.45521; 11°15'25.524" is 11 + 15/60 + 25.524/3600 = 11.25709.
const HERE = [46.45521, 11.25709] as const;

describe('a place as people paste it', () => {
  it.each([
    ['46.45521, 11.25709', HERE],
    ['46.45521 11.25709', HERE],
    ['  46.45521,11.25709  ', HERE],
    ['46,45521; 11,25709', HERE],
    ['46,45521 11,25709', HERE],
    ['46,45521, 11,25709', HERE],
    ['N 46.45521 E 11.25709', HERE],
    ['46.45521N, 11.25709E', HERE],
    ['11.25709 E, 46.45521 N', HERE],
    ['46.45521°, 11.25709°', HERE],
    ['46°27\'18.756"N 11°15\'25.524"E', HERE],
    ['46° 27′ 18.756″ N, 11° 15′ 25.524″ E', HERE],
    ["N46° 27.3126' E11° 15.4254'", HERE],
    ['46 27 18.756 N, 11 15 25.524 E', HERE],
    ['46 27 18.756 11 15 25.524', HERE],
    ['geo:46.45521,11.25709', HERE],
    ['geo:46.45521,11.25709,250;u=35?z=17', HERE],
    ['geo:46.45521,11.25709;u=35?z=17', HERE],
    ['-38.2, −24.6', [-38.2, -24.6]],
    ["38°12'S 24°36'W", [-38.2, -24.6]],
    ['0 0', [0, 0]],
    ['90, -180', [90, -180]],
  ] as const)('%s', (text, place) => {
    const read = readPlace(text);
    if (!read.ok) throw new Error(read.message);
    expect(read.place.latitude).toBeCloseTo(place[0], 9);
    expect(read.place.longitude).toBeCloseTo(place[1], 9);
  });

  it.each([
    ['', /Write a place as/],
    ['Orrel', /Write a place as/],
    ['46.45521', /Write a place as/],
    ['46.45, 11.25, 7', /Write a place as/],
    ["46°60'N 11°E", /Write a place as/],
    ["46.5°27'N 11°E", /Write a place as/],
    ['-46N 11E', /Write a place as/],
    ['96, 11', /Latitude 96 lies beyond the pole/],
    ['46, 181', /Longitude 181 goes more than half round/],
    ['46N 11N', /north or south, the other east or west/],
    ['46N, 11', /Write a place as|north or south/],
  ])('refuses %j in words', (text, words) => {
    const read = readPlace(text);
    expect(read.ok ? '' : read.message).toMatch(words);
  });

  it('reads back any place that is written plainly, and throws at nothing', () => {
    fc.assert(
      fc.property(fc.double({ min: -90, max: 90, noNaN: true }), fc.double({ min: -180, max: 180, noNaN: true }), (a, b) => {
        const [latitude, longitude] = [Number(a.toFixed(7)) + 0, Number(b.toFixed(7)) + 0];
        const read = readPlace(`${latitude.toFixed(7)}, ${longitude.toFixed(7)}`);
        expect(read).toEqual({ ok: true, place: { latitude, longitude } });
      }),
    );
    fc.assert(fc.property(fc.string(), (text) => typeof readPlace(text).ok === 'boolean'));
  });
});
