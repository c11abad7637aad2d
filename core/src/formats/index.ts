export {
  type Archive,
  ARCHIVE_FORMAT,
  ARCHIVE_VERSION,
  DEFAULT_SETTINGS,
  LARGEST_ARCHIVE_BYTES,
  MOST_BUILDINGS,
  type Settings,
  writeArchive,
} from './archive.js';
export { readArchive, type ReadArchive, type Refusal } from './readArchive.js';
