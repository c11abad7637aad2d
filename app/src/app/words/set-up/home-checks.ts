import type { Lens } from '@roam-dial/core/kit';
import type { KitInHand } from '@roam-dial/core/plan';
import type { HomeState } from '@roam-dial/core/setup';
import type { ManualSettings } from '@roam-dial/core/stop';
import type { Wording } from '../wording';

export interface HomeCheck {
  readonly id: string;
  readonly text: string;
}

/** Whether it can stand elsewhere than where one thinks. */
function isZoom({ shortestMm, longestMm }: Pick<Lens, 'shortestMm' | 'longestMm'>): boolean {
  return longestMm > shortestMm;
}

function zoomText(focalLengthMm: number): string {
  return `${Number(focalLengthMm.toFixed(1))} mm`;
}

/**
 * What to go through before setting off: half of the missed frames come from a control left elsewhere. Fitted to the body:
 * what it does not have is not asked for.
 */
export function homeChecks(
  { hand, stops }: HomeState,
  { body, lens, film, focalLengthMm }: KitInHand,
  isoCeiling: number,
  wording: Wording,
): readonly HomeCheck[] {
  const step = body.markStep;
  const isFilm = body.medium === 'film';
  const time = hand.shutterS === null ? null : wording.shutter(hand.shutterS, step);
  const isHeld = isFilm || stops[0]?.atHome.camera.shutterS === hand.shutterS;
  return [
    ...(isZoom(lens) ? [{ id: 'zoom', text: `Zoom at ${zoomText(focalLengthMm)}` }] : []),
    { id: 'aperture', text: `Aperture ${wording.aperture(hand.fNumber, lens.clickStep)}` },
    {
      id: 'focus',
      text:
        lens.engravedDistancesM.length > 0
          ? `Ring at ${wording.exactDistance(hand.focusM)}, focusing by hand`
          : `Focus on something at ${wording.exactDistance(hand.focusM)}, then lock it`,
    },
    ...(time === null
      ? []
      : [{ id: 'shutter', text: isHeld && isFilm ? `Shutter ${time}` : `Shutter ${time}, or slowest ${time}` }]),
    isFilm
      ? { id: 'iso', text: `Meter set to ${film?.exposureIndex ?? body.baseIso}; frames left on the roll` }
      : hand.iso === null
        ? { id: 'iso', text: `ISO automatic, ${wording.iso(body.baseIso, step)} to ${wording.iso(isoCeiling, step)}` }
        : { id: 'iso', text: `ISO ${wording.iso(hand.iso, step)}` },
    { id: 'compensation', text: 'Compensation back at 0' },
    { id: 'meter', text: body.meterPatterns.includes('wholeFrame') ? 'Metering the whole frame' : 'Your usual metering pattern' },
    ...(isFilm ? [] : [{ id: 'drive', text: 'Drive mode: burst, not last night’s self-timer' }]),
    ...(Math.max(body.stabiliserStops, lens.stabiliserStops) > 0 ? [{ id: 'stabiliser', text: 'Stabiliser on' }] : []),
    ...(isFilm
      ? []
      : [
          { id: 'touch', text: 'Touch focus off' },
          { id: 'sleep', text: 'Long sleep timer' },
        ]),
    { id: 'clean', text: 'Front glass clean, cap in the pocket' },
    { id: 'power', text: isFilm ? 'Meter battery, a spare roll' : 'Battery charged, memory card formatted' },
  ];
}

/** The one set-up to return to, on a line. */
export function homeText(
  hand: ManualSettings,
  cameraS: number,
  { body, lens, focalLengthMm }: KitInHand,
  wording: Wording,
): string {
  const time = wording.shutter(hand.shutterS ?? cameraS, body.markStep);
  const iso = hand.iso === null ? '' : `, ISO ${wording.iso(hand.iso, body.markStep)}`;
  const zoom = isZoom(lens) ? `${zoomText(focalLengthMm)}, ` : '';
  return `${zoom}${wording.aperture(hand.fNumber, lens.clickStep)}, ${wording.exactDistance(hand.focusM)}, ${time}${iso}`;
}
