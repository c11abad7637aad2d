import type { Body, Film, FilmKind } from './items.js';

/** What a picture straight out of a camera holds about mid-grey, stops: less than its raw file (s). */
export const STRAIGHT_HOLDS: Pick<Body, 'straightOverEv' | 'straightUnderEv'> = { straightOverEv: 2.3, straightUnderEv: 5 };

/** What films hold about mid-grey, stops (s): not how far a frame may be off, which is their latitude. */
export const FILM_HOLDS: Readonly<Record<FilmKind, Pick<Film, 'holdsOverEv' | 'holdsUnderEv'>>> = {
  slide: { holdsOverEv: 2, holdsUnderEv: 2.5 },
  blackAndWhiteNegative: { holdsOverEv: 5, holdsUnderEv: 3.5 },
  colourNegative: { holdsOverEv: 5, holdsUnderEv: 2.5 },
};
