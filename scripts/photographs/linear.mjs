import sharp from 'sharp';

/** A picture in linear light: three planes of 0..1, row by row. */

// IEC 61966-2-1: codes to light and back.
const LIGHT_OF_CODE = Float32Array.from({ length: 256 }, (_, code) => {
  const value = code / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
});
const STEPS = 8192;
const CODE_OF_LIGHT = Uint8Array.from({ length: STEPS + 1 }, (_, k) => {
  const light = k / STEPS;
  return Math.round(255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055));
});

/** A photograph brought down to at most so many pixels; never made larger than it is. */
export async function opened(path, mostPixels) {
  const rotated = sharp(path).rotate().flatten({ background: '#000' }).toColourspace('srgb').removeAlpha();
  const { data, info } = await rotated.raw().toBuffer({ resolveWithObject: true });
  const scale = Math.min(1, Math.sqrt(mostPixels / (info.width * info.height)));
  const raw = { width: info.width, height: info.height, channels: info.channels };
  const width = Math.round(info.width * scale);
  const small = scale === 1 ? sharp(data, { raw }) : sharp(data, { raw }).resize(width, null, { kernel: 'lanczos3' });
  const { data: bytes, info: of } = await small.toColourspace('srgb').raw().toBuffer({ resolveWithObject: true });
  const planes = [0, 1, 2].map((channel) => {
    const plane = new Float32Array(of.width * of.height);
    const from = of.channels < 3 ? 0 : channel;
    for (let k = 0; k < plane.length; k++) plane[k] = LIGHT_OF_CODE[bytes[k * of.channels + from]];
    return plane;
  });
  return { width: of.width, height: of.height, planes };
}

const fraction = (value) => (value >= 1 ? `${Math.round(value * 10)}/10` : `1/${Math.round(1 / value)}`);

/** A JPEG file of a quality that says what was set. */
export async function asJpeg({ width, height, planes }, quality, { shutterS, fNumber, iso, focalMm }) {
  const bytes = Buffer.alloc(width * height * 3);
  for (let k = 0; k < width * height; k++) {
    for (let channel = 0; channel < 3; channel++) {
      bytes[3 * k + channel] = CODE_OF_LIGHT[Math.round(Math.min(1, Math.max(0, planes[channel][k])) * STEPS)];
    }
  }
  return sharp(bytes, { raw: { width, height, channels: 3 } })
    .jpeg({ quality, chromaSubsampling: '4:2:0' })
    .withExif({
      IFD2: {
        ExposureTime: fraction(shutterS),
        FNumber: fraction(fNumber),
        ISOSpeedRatings: String(iso),
        FocalLength: `${focalMm}/1`,
        FocalLengthIn35mmFilm: String(focalMm),
      },
    })
    .toBuffer();
}

export const luminance = ({ planes: [red, green, blue] }) => red.map((r, k) => 0.2126 * r + 0.7152 * green[k] + 0.0722 * blue[k]);

/** The same done to each plane. */
export const eachPlane = (picture, change) => ({ ...picture, planes: picture.planes.map(change) });

/** Of two pictures, by a mask of 0..1: the first where it is 0. */
export function blended(under, over, mask) {
  return {
    ...under,
    planes: under.planes.map((plane, c) => plane.map((value, k) => value + (over.planes[c][k] - value) * mask[k])),
  };
}
