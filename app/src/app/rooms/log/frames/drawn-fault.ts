import { smearOf, type SoftnessReading, type SoftnessVerdict } from '@roam-dial/core/log';

/** A disc of radius r has a deviation of r/2 along any line. */
const RADIUS_PER_DEVIATION = 2;

/** What spoils a picture, as it can be drawn into it, in pixels of the picture as it was read. */
export type DrawnFault =
  /** Half of the line over which things are smeared. */
  | { readonly kind: 'smear'; readonly dx: number; readonly dy: number }
  | { readonly kind: 'disc'; readonly radius: number }
  /** The block in which noise was read. */
  | { readonly kind: 'patch'; readonly x: number; readonly y: number; readonly width: number; readonly height: number };

/** Null for what has no size or place: haze, too little depth, what is good. */
export function drawnFault(reading: SoftnessReading, { looksLike, evidence }: SoftnessVerdict): DrawnFault | null {
  const smear = smearOf(looksLike, evidence);
  if (smear !== null) {
    const [angle, half] = [(smear.directionDeg * Math.PI) / 180, smear.lengthPx / 2];
    return { kind: 'smear', dx: half * Math.cos(angle), dy: half * Math.sin(angle) };
  }
  if (looksLike === 'noise' && reading.noiseBlock !== undefined) {
    const across = reading.across / 2;
    const [width, height] = [(2 * reading.width) / reading.across, (2 * reading.height) / reading.down];
    return {
      kind: 'patch',
      x: width * (reading.noiseBlock % across),
      y: height * Math.floor(reading.noiseBlock / across),
      width,
      height,
    };
  }
  if (looksLike !== 'focus' || evidence.subject === null) return null;
  return { kind: 'disc', radius: RADIUS_PER_DEVIATION * evidence.subject.majorPx };
}
