/** The few words that are ours or are used here in one sense only; `docs/words.md` prints the same list. */
export const WORDS = {
  walk: 'One outing on one day: where it starts and ends, when, with which kit, and the stops in order.',
  stop: 'A place on the walk where you expect a picture: its position, the way you face, the intent and the minutes you give it.',
  leg: 'The way from one stop to the next: metres, climb and minutes at your pace.',
  intent:
    'What kind of picture you want at a stop: a candid, a silhouette, a pan and so on. It sets the blur, depth and light you need.',
  window:
    'A stretch of the day in which a stop has the light its intent needs: sun on the wall, a low sun in front, dusk in the right measure.',
  stay: 'The minutes at a stop, from arriving to leaving. A stay inside a window is what the plan tries for.',
  spot: 'The ground your subject stands on: the light of a stop is the light there.',
  card: 'The settings for one stop at one minute: aperture, shutter, ISO, focus, correction, and why.',
  ladder: 'The order in which you change settings as the light drops, from the base set-up to the last handheld one.',
  'base set-up': 'The settings you return to after every picture, so that lifting the camera is enough.',
  standard: 'Your own limits: how sharp, how clean and how well exposed a picture must be to keep.',
  'ISO ceiling': 'The highest ISO that automatic ISO may choose: the noise you still accept.',
  'slowest auto shutter': 'The slowest time that the automatic may choose before it raises ISO.',
  'both held': 'Aperture and shutter set by hand while ISO follows the light.',
  'zone focus': 'Focus set beforehand at a distance; everything between the near and the far limit is in focus.',
  'on-mark': 'A distance engraved on the lens, which you can set without looking.',
  'hyperfocal distance': 'The focus distance from which everything to the horizon is in focus.',
  'circle of confusion': 'The largest blur disc in the frame that still looks like a point in your print.',
  keeper: 'A picture good enough to keep: in focus, without unwanted blur, and exposed within the latitude.',
  'camera shake': 'Blur from moving the camera during the exposure. It is yours, whatever the subject does.',
  'motion blur': 'Blur from the subject’s own movement across the frame.',
  'missed focus': 'The subject was outside the near and far limits.',
  clipped: 'Lighter or darker than the medium can record.',
  latitude: 'How many stops over or under the medium forgives.',
  'exposure value': 'Aperture and shutter as one number; every step is a factor of two. Here always at ISO 100.',
  'light correction': 'How far the real light was from the calculated one, in stops, as you metered it.',
  'grey card': 'A card that reflects 18 % of the light: metered, it gives the exposure without guessing the tone of the subject.',
  incident: 'A reading of the light that falls on the subject, taken at the subject.',
  key: 'The reading that the exposure is placed by, and the tone you give it.',
  placement: 'How many stops above or below middle grey a reading should come out.',
  bracket: 'The same picture at several exposures, because the light cannot be metered well enough.',
  'exposure index': 'The ISO you meter a film at, which need not be the one on the box.',
  reciprocity: 'The extra time a film needs in long exposures.',
  'guide number': 'A flash’s reach: metres times f-number at ISO 100.',
  'ND filter': 'A grey filter that takes away whole stops of light.',
  consent: 'What you owe the people in the picture at this stop: nothing, a nod, or a question first.',
  return: 'A picture to come back for: the place, the light it needs and the day and time it comes again.',
  approach: 'One of the ways photographers solve the same problem differently. You choose; the app calculates each.',
  'must-have': 'A stop that the plan keeps even when another one has to be dropped.',
  'recorded track': 'Where you really walked, as a device recorded it, laid beside the plan.',
} as const;

export type Word = keyof typeof WORDS;

/** By the alphabet, as one looks a word up. */
export const WORD_LIST: readonly { readonly word: Word; readonly meaning: string }[] = Object.entries(WORDS)
  .map(([word, meaning]) => ({ word: word as Word, meaning }))
  .sort((a, b) => a.word.localeCompare(b.word, 'en', { sensitivity: 'base' }));
