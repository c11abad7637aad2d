import sharp from 'sharp';
import { cropped, FULL_PART_PX, fullParts, lumaOf, partBlur, readSoftness } from '../../core/dist/log/index.js';
import { faultyShot, takeStandIn } from '../../core/dist/stand-ins/index.js';
import { throughJpeg } from '../through-jpeg.mjs';

/** As the program does it: brought down to so many pixels, and parts of it at its full size. */
const READ_PIXELS = 2e6;

async function lumaFrom(picture) {
  const { data, info } = await picture.ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return lumaOf(data, info.width, info.height);
}

/** A reading of a frame as the program would have it. */
export async function readFrame({ file, width, height }) {
  const scale = Math.min(1, Math.sqrt(READ_PIXELS / (width * height)));
  const small = scale < 1 ? sharp(file).resize(Math.round(width * scale)) : sharp(file);
  const reading = readSoftness(await lumaFrom(small));
  if (scale === 1) return reading;
  const whole = await lumaFrom(sharp(file));
  const { parts, ...grid } = fullParts(width, height);
  const blurs = parts.map(({ left, top }) => partBlur(cropped(whole, left, top, FULL_PART_PX, FULL_PART_PX)));
  return { ...reading, full: { width, height, ...grid, blurs } };
}

const MADE_UP = { width: 1500, height: 1000 };
const QUALITY = 88;

/** A reading of a frame of the made-up camera, with where its subject is. */
export async function readMadeUp({ fault, seed }) {
  const { shot, subjectAt } = faultyShot(fault, seed, MADE_UP);
  const rgba = throughJpeg(takeStandIn(shot), QUALITY);
  return { reading: readSoftness(lumaOf(rgba, MADE_UP.width, MADE_UP.height)), subject: subjectAt };
}
