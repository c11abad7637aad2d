/** What an archive holds, its bounds and its writer; reading one is another door, because the validator is only needed then. */
export { ARCHIVE_VERSION, archiveParts, writeArchive } from './writeArchive.js';
export {
  type Archive,
  type CollectionName,
  COLLECTIONS,
  EMPTY_ARCHIVE,
  LIST_NAMES,
  type ListName,
  type Reference,
  type Rows,
  SINGLE_NAMES,
  type SingleName,
} from './collections.js';
export { LONGEST_NAME, MOST_READINGS, MOST_STOPS, MOST_TRACK_POINTS } from './limits.js';
export { fitTogether, NO_ROOM } from './room.js';
export { DEFAULT_SETTINGS, type Settings } from './settings.js';
export { shippedArchive } from './shipped.js';
