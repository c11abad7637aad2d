/** Reading what is stored or kept as a file: an entry of its own, because the validator is only needed then. */
export { pathText, readArchive, type ReadArchive, type Refusal } from './archive/readArchive.js';
export type { ArchivedPicture, ArchivedReading } from './archive/pictures.js';
export { readRow, type ReadRow, type RowProblem } from './archive/readRow.js';
export { LARGEST_ARCHIVE_BYTES } from './archive/writeArchive.js';
