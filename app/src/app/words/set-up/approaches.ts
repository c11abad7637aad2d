import type { Approach } from '@roam-dial/core/stop';
import { choicesOf } from '../choices';

/** The schools, each with what it costs. */
export const EXPOSURE_CHOICES = choicesOf<Approach['exposure']>({
  aperturePriority: 'Automatic ISO with a slowest shutter',
  bothHeld: 'Both held, ISO floats',
  fixedIso: 'One fixed high ISO',
  baseIsoLong: 'Base ISO, long exposure',
  film: 'Film: the roll decides',
});
export const EXPOSURE_COSTS: Readonly<Record<Approach['exposure'], string>> = {
  aperturePriority: 'Downside: in the dark the shutter may get too slow.',
  bothHeld: 'Downside: in sudden sun the ISO cannot go any lower.',
  fixedIso: 'Downside: grain even in good light, and a changing shutter speed.',
  baseIsoLong: 'Downside: anybody who walks is blurred.',
  film: 'Downside: one ISO from dawn to night.',
};
export const FOCUS_CHOICES = choicesOf<Approach['focus']>({
  fixedZone: 'Fixed zone',
  lockedOnSpot: 'Locked on the spot',
  centrePoint: 'Centre point, recompose',
});
export const FOCUS_COSTS: Readonly<Record<Approach['focus'], string>> = {
  fixedZone: 'Downside: you stop down further and must judge the distance well.',
  lockedOnSpot: 'Downside: they must step where you focused.',
  centrePoint: 'Downside: it takes a third of a second, and hunts in the dark.',
};
export const DEPTH_CHOICES = choicesOf<Approach['depth']>({
  free: 'As the picture asks',
  deep: 'Deep, f/8 and beyond',
  contextual: 'Contextual, f/4 to f/5.6',
  isolating: 'Isolating, wide open',
});
export const DEPTH_COSTS: Readonly<Record<Approach['depth'], string>> = {
  free: 'What this kind of picture usually wants.',
  deep: 'Downside: it takes two or more stops of light.',
  contextual: 'Downside: both ends of the zone may be soft.',
  isolating: 'Downside: half of the people are out of focus.',
};
export const SUPPORT_CHOICES = choicesOf<Approach['support']>({ handheld: 'By hand', braced: 'Braced', tripod: 'Tripod' });
export const SUPPORT_COSTS: Readonly<Record<Approach['support'], string>> = {
  handheld: 'Downside: you need the light for it.',
  braced: 'Downside: there must be a wall where you need one.',
  tripod: 'Downside: you are noticed, and some places forbid it.',
};
