/** Reading what is stored or kept as a file: an entry of its own, because the validator is only needed then. */
export { pathText, readArchive, type ReadArchive, type Refusal } from './readArchive.js';
export type { ArchivedPicture, ArchivedReading } from './pictures.js';
export { readRow, type ReadRow, type RowProblem } from './readRow.js';
export { LARGEST_ARCHIVE_BYTES } from '../archive/writeArchive.js';
