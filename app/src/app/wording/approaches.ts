import type { Approach } from '@roam-dial/core';
import { choicesOf } from '../ui/choices';

/** The schools, each with what it costs. */
export const EXPOSURE_CHOICES = choicesOf<Approach['exposure']>({
  aperturePriority: 'Automatic ISO with a slowest shutter',
  bothHeld: 'Both held, ISO floating',
  fixedIso: 'One fixed high ISO',
  baseIsoLong: 'Base ISO, long exposure',
  film: 'Film: the roll decides',
});
export const EXPOSURE_COSTS: Readonly<Record<Approach['exposure'], string>> = {
  aperturePriority: 'Costs: in the dark the shutter may leave the safe side.',
  bothHeld: 'Costs: in sudden sun the ISO has nowhere to go.',
  fixedIso: 'Costs: grain in good light, and the shutter wanders.',
  baseIsoLong: 'Costs: whoever walks smears.',
  film: 'Costs: one ISO from dawn to night.',
};
export const FOCUS_CHOICES = choicesOf<Approach['focus']>({
  fixedZone: 'Fixed zone',
  lockedOnSpot: 'Locked on the spot',
  centrePoint: 'Centre point, recompose',
});
export const FOCUS_COSTS: Readonly<Record<Approach['focus'], string>> = {
  fixedZone: 'Costs: depth, and a good guess of distance.',
  lockedOnSpot: 'Costs: they must step where you thought.',
  centrePoint: 'Costs: a third of a second, and it hunts in the dark.',
};
export const DEPTH_CHOICES = choicesOf<Approach['depth']>({
  free: 'As the picture asks',
  deep: 'Deep, f/8 and beyond',
  contextual: 'Contextual, f/4 to f/5.6',
  isolating: 'Isolating, wide open',
});
export const DEPTH_COSTS: Readonly<Record<Approach['depth'], string>> = {
  free: 'The intent’s own habit.',
  deep: 'Costs: two stops and more of light.',
  contextual: 'Costs: the ends of the zone may be soft.',
  isolating: 'Costs: half of the people are out of the zone.',
};
export const SUPPORT_CHOICES = choicesOf<Approach['support']>({ handheld: 'By hand', braced: 'Braced', tripod: 'Tripod' });
export const SUPPORT_COSTS: Readonly<Record<Approach['support'], string>> = {
  handheld: 'Costs: nothing but light.',
  braced: 'Costs: a wall must be where you want it.',
  tripod: 'Costs: being seen, and places where it is not allowed.',
};
