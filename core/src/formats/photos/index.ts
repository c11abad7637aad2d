/** Photographs as files, whatever their maker's format: an entry of its own, because only what reads frames needs it. */
export { type EmbeddedJpeg, largestJpeg } from './embeddedJpeg.js';
export { tiffBlocks } from './tiffBlocks.js';
