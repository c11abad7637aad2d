/** The small build of the reader of what photographs say of themselves: the same functions. */
declare module 'exifr/dist/lite.esm.mjs' {
  import type exifr from 'exifr';

  const reader: Pick<typeof exifr, 'parse'>;
  export default reader;
}
