import jpeg from 'jpeg-js';

/** A picture as it comes out of the JPEG file of that quality that it was written to, as a camera's do; 0 leaves that out. */
export function throughJpeg({ width, height, rgba }, quality) {
  if (quality === 0) return rgba;
  const { data } = jpeg.encode({ width, height, data: rgba }, quality);
  return jpeg.decode(data, { useTArray: true }).data;
}
