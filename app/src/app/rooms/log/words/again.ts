import { compassPoint } from '../../../words/compass';
import type { WorkedWith } from '@roam-dial/core/log';
import type { Wording } from '../../../words/wording';

/** `f/8 1/500 ISO 400, 28 mm, focus 3 m`: what the good ones were set to, as far as they say; a figure is not parted from its unit. */
export function workedWords({ fNumber, shutterS, iso, focalLengthMm, focusM }: WorkedWith, wording: Wording): string {
  const set = [
    fNumber === null ? '' : wording.aperture(fNumber, 'third'),
    shutterS === null ? '' : wording.shutter(shutterS, 'third'),
    iso === null ? '' : `ISO ${wording.iso(iso, 'third')}`,
  ].filter((part) => part !== '');
  const with_ = [
    set.join(' '),
    focalLengthMm === null ? '' : `${Math.round(focalLengthMm)}\u00a0mm`,
    focusM === null ? '' : `focus ${wording.distance(focusM).replaceAll(' ', '\u00a0')}`,
  ];
  return with_.filter((part) => part !== '').join(', ');
}

/** `15:08, the sun 32° high in the SW, EV 13`: the light in which they were taken. */
export function lightThenWords(
  {
    minute,
    sun,
    sceneEv,
  }: {
    readonly minute: number;
    readonly sun: { readonly altitudeDeg: number; readonly azimuthDeg: number };
    readonly sceneEv: number | null;
  },
  wording: Wording,
): string {
  const height = Math.round(Math.abs(sun.altitudeDeg));
  const stood = sun.altitudeDeg >= 0 ? `the sun ${height}° high in the ${compassPoint(sun.azimuthDeg)}` : `the sun ${height}° down`;
  const ev = sceneEv === null ? '' : `, EV ${wording.ev(Math.round(sceneEv * 3) / 3)}`;
  return `${wording.clock(minute)}, ${stood}${ev}`;
}
