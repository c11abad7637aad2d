import jpeg from 'jpeg-js';
import piexif from 'piexif-ts';
import type { LogFrame } from '../../log/index.js';
import { type StandInPicture, type StandInShot, takeStandIn } from './standInCamera.js';
import { type StandInPatch, takePatch } from './standInPatch.js';

/** What a made-up camera writes of a frame, beside what the shot itself says. */
export type WrittenFacts = Pick<
  LogFrame,
  'bodyName' | 'lensName' | 'position' | 'bearingDeg' | 'compensationEv' | 'iso' | 'shutterS'
> & {
  /** The camera's clock, as though its zone were UTC. */
  readonly wallMs: number;
};

const QUALITY = 88;
/** EXIF writes numbers as fractions of whole ones. */
const PER_UNIT = 10_000;
type Rational = readonly [number, number];
const rational = (value: number): Rational => [Math.round(value * PER_UNIT), PER_UNIT];
/** As cameras write shutter times: 1/250, or seconds. */
const time = (seconds: number): Rational => (seconds < 0.4 ? [1, Math.round(1 / seconds)] : rational(seconds));

function dateText(wallMs: number): string {
  const [day, clock] = new Date(wallMs).toISOString().split('T') as [string, string];
  return `${day.replaceAll('-', ':')} ${clock.slice(0, 8)}`;
}

function degrees(value: number): readonly [Rational, Rational, Rational] {
  const [whole, minutes] = [Math.floor(value), (value - Math.floor(value)) * 60];
  return [[whole, 1], [Math.floor(minutes), 1], rational((minutes - Math.floor(minutes)) * 60)];
}

type Exposed = Pick<StandInShot, 'fNumber' | 'focalLengthMm' | 'focusM'>;

function exifOf(shot: Exposed, facts: WrittenFacts): string {
  const { ImageIFD, ExifIFD, GPSIFD } = piexif.TagValues;
  const { position, bearingDeg, iso, shutterS, compensationEv } = facts;
  const gps =
    position === null
      ? {}
      : {
          [GPSIFD.GPSLatitudeRef]: position.latitude < 0 ? 'S' : 'N',
          [GPSIFD.GPSLatitude]: degrees(Math.abs(position.latitude)),
          [GPSIFD.GPSLongitudeRef]: position.longitude < 0 ? 'W' : 'E',
          [GPSIFD.GPSLongitude]: degrees(Math.abs(position.longitude)),
          ...(bearingDeg === null ? {} : { [GPSIFD.GPSImgDirectionRef]: 'T', [GPSIFD.GPSImgDirection]: rational(bearingDeg) }),
        };
  return piexif.dump({
    '0th': { [ImageIFD.Model]: facts.bodyName, [ImageIFD.Software]: 'Simulated: a made-up camera' },
    Exif: {
      [ExifIFD.DateTimeOriginal]: dateText(facts.wallMs),
      [ExifIFD.FNumber]: rational(shot.fNumber),
      [ExifIFD.FocalLength]: rational(shot.focalLengthMm),
      [ExifIFD.SubjectDistance]: rational(shot.focusM),
      [ExifIFD.LensModel]: facts.lensName,
      ...(iso === null ? {} : { [ExifIFD.ISOSpeedRatings]: iso }),
      ...(shutterS === null ? {} : { [ExifIFD.ExposureTime]: time(shutterS) }),
      ...(compensationEv === null ? {} : { [ExifIFD.ExposureBiasValue]: rational(compensationEv) }),
    },
    GPS: gps,
  } as never);
}

const bytesOf = (binary: string): Uint8Array => Uint8Array.from(binary, (one) => one.charCodeAt(0));
const binaryOf = (bytes: Uint8Array): string => {
  let text = '';
  for (let at = 0; at < bytes.length; at += 8192) text += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return text;
};

function written({ width, height, rgba }: StandInPicture, exposed: Exposed, facts: WrittenFacts, quality: number): Uint8Array {
  const { data } = jpeg.encode({ width, height, data: new Uint8Array(rgba.buffer) }, quality);
  return bytesOf(piexif.insert(exifOf(exposed, facts), binaryOf(data)));
}

/** The shot as a JPEG file with its EXIF, bytes; the same for the same shot. Simulated. */
export function standInFile(shot: StandInShot, facts: WrittenFacts): Uint8Array {
  return written(takeStandIn(shot), shot, facts, QUALITY);
}

/** Noise is what a patch is about: as little of it as can be is left away. */
const PATCH_QUALITY = 100;

/** An even patch as a JPEG file. Simulated. */
export function standInPatchFile(patch: StandInPatch, facts: WrittenFacts): Uint8Array {
  return written(takePatch(patch), { fNumber: 8, focalLengthMm: 28, focusM: 1 }, facts, PATCH_QUALITY);
}
