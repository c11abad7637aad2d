import { type WayKind, WIDEST_WAY_M } from '../../streets/index.js';
import { parseHeightM } from './lengths.js';
import { isSet, type Tags } from './mapFeature.js';

/** Roads on which nobody goes on foot, and those that are not there yet. */
const NOT_WALKED = new Set([
  'motorway',
  'motorway_link',
  'trunk',
  'trunk_link',
  'raceway',
  'busway',
  'construction',
  'proposed',
  'abandoned',
  'razed',
  'elevator',
]);
const PATHS = new Set(['footway', 'path', 'track', 'bridleway', 'cycleway', 'corridor']);

/** A street, path or stairs that one may go along on foot. */
export function isWay(tags: Tags): boolean {
  const highway = tags.get('highway');
  if (typeof highway !== 'string' || !isSet(highway) || NOT_WALKED.has(highway)) return false;
  const foot = tags.get('foot');
  if (foot === 'no' || foot === 'private') return false;
  const access = tags.get('access');
  return foot !== undefined || (access !== 'no' && access !== 'private');
}

export function wayKindOf(tags: Tags): WayKind {
  const highway = tags.get('highway');
  if (highway === 'steps') return 'steps';
  return PATHS.has(String(highway)) ? 'path' : 'street';
}

/** Metres, of what the file says or guesses; null where it says nothing that can be a width. */
export function wayWidthM(tags: Tags): number | null {
  const widthM = parseHeightM(tags.get('width')) ?? parseHeightM(tags.get('est_width'));
  return widthM !== null && widthM <= WIDEST_WAY_M ? widthM : null;
}

export function isCoveredWay(tags: Tags): boolean {
  return isSet(tags.get('covered')) || isSet(tags.get('tunnel'));
}
