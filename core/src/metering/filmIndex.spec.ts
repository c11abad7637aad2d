import { filmAt, filmsFor, type FilmStop, filmStopAt } from './filmIndex.js';

const GREY_400 = { id: 'grey', boxIso: 400, filmKind: 'blackAndWhiteNegative', latitudeOverEv: 3, latitudeUnderEv: 1 } as const;
const GREY_1250 = { ...GREY_400, id: 'fast', boxIso: 1250 };
const COLOUR_400 = { ...GREY_400, id: 'colour', filmKind: 'colourNegative', latitudeOverEv: 2, latitudeUnderEv: 0.5 } as const;
const SLIDE_100 = { id: 'slide', boxIso: 100, filmKind: 'slide', latitudeOverEv: 0.5, latitudeUnderEv: 0.5 } as const;

const marks = (from: number, to: number): readonly number[] =>
  Array.from({ length: Math.round(Math.log2(to / from)) + 1 }, (_, k) => from * 2 ** k);
/** Apertures and times in whole stops, exact. */
const stop = (id: string, lowEv: number, highEv: number, slowestS: number, widest = 2): FilmStop => ({
  id,
  lowEv,
  highEv,
  fNumbers: marks(widest ** 2, 256).map(Math.sqrt),
  shuttersS: marks(1 / 1024, slowestS),
});

describe('one stop on a roll', () => {
  it('takes the pair that errs least; the pairs left at the mean light are those within the latitude', () => {
    // Only f/8 at 1/128: log2(64·128) = 13; at index 400 that is EV 11.
    const one = { id: 'one', lowEv: 11, highEv: 12, fNumbers: [8], shuttersS: [1 / 128] };
    expect(filmStopAt(one, GREY_400, 400)).toEqual({ id: 'one', worth: 1, isOutside: false, pairsAtMean: 1, worstErrorEv: 1 });
  });
  it('falls outside under 0.8: three stops too dark for one stop of latitude', () => {
    const dark = { id: 'dark', lowEv: 8, highEv: 8, fNumbers: [8], shuttersS: [1 / 128] };
    expect(filmStopAt(dark, GREY_400, 400)).toMatchObject({ worth: 0, isOutside: true, pairsAtMean: 0, worstErrorEv: -3 });
    // One and a quarter: 1 − 0.25.
    expect(filmStopAt({ ...dark, lowEv: 9.75, highEv: 9.75 }, GREY_400, 400)).toMatchObject({ worth: 0.75, isOutside: true });
    expect(filmStopAt({ ...dark, lowEv: 9.85, highEv: 9.85 }, GREY_400, 400).isOutside).toBe(false);
  });
  it('averages over its lights in thirds, both ends among them', () => {
    const widening = { id: 'wide', lowEv: 9, highEv: 9.5, fNumbers: [8], shuttersS: [1 / 128] };
    // Errors −2, −1⅔, −1½ against a latitude of 1: 0, ⅓, ½.
    expect(filmStopAt(widening, GREY_400, 400).worth).toBeCloseTo((0 + 1 / 3 + 1 / 2) / 3, 9);
  });
});

describe('the film of a walk', () => {
  const walk = [
    stop('market', 11, 13, 1 / 128),
    stop('pool', 14, 15, 1 / 256),
    stop('steps', 9, 10, 1 / 64),
    stop('arcade', 8, 9, 1 / 32),
    stop('screen', 6, 7, 1 / 64),
    stop('lamps', 4, 5, 1 / 32),
  ];
  const ranked = filmsFor(walk, [SLIDE_100, COLOUR_400, GREY_1250, GREY_400]);
  const firstOf = (id: string) => ranked.findIndex(({ filmId }) => filmId === id);
  it('is the one with the fewest stops outside, unpushed and at its box where that does', () => {
    expect(ranked[0]).toMatchObject({ filmId: 'grey', index: 400, pushStops: 0, outside: 0 });
    expect(ranked[firstOf('fast')]).toMatchObject({ index: 1250, pushStops: 0, outside: 0 });
  });
  it('leaves slide last: the dark stops are out of its reach even pushed', () => {
    const best = ['grey', 'fast', 'colour', 'slide'].map(firstOf);
    expect(Math.max(...best)).toBe(firstOf('slide'));
    expect(ranked[firstOf('slide')]?.outside).toBeGreaterThanOrEqual(1);
  });
  it('weighs a stop that matters', () => {
    const [slide] = filmsFor([{ ...stop('dark', 2, 3, 1 / 64), weight: 3 }, stop('bright', 12, 13, 1 / 64)], [SLIDE_100]);
    expect(slide).toMatchObject({ outside: 3 });
    expect(slide?.worth).toBeLessThan(0.3);
  });
  it('goes for a push only where it brings a stop in', () => {
    const dim = [stop('dim', 4, 4, 1 / 32)];
    // EV 4 at f/2 and 1/32 wants log2(4·32) = 7: ISO 800; two thirds over the box of 400 are not enough with ⅓ of latitude.
    const narrow = { ...GREY_400, latitudeUnderEv: 0 };
    expect(filmsFor(dim, [narrow])[0]).toMatchObject({ pushStops: 0, index: 800 });
    expect(filmAt(dim, narrow, 400, 0)).toMatchObject({ outside: 1, worth: 0 });
  });
  it('has nothing to say of a walk without stops, or a bag without film', () => {
    expect(filmsFor([], [GREY_400])[0]).toMatchObject({ outside: 0, worth: 0 });
    expect(filmsFor(walk, [])).toEqual([]);
  });
});
