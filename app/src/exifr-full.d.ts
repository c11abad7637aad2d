/** The build of exifr that reads every format; its package names types for the root alone. */
declare module 'exifr/dist/full.esm.mjs' {
  import type exifr from 'exifr';

  const reader: Pick<typeof exifr, 'parse' | 'thumbnail'>;
  export default reader;
}
