import type { Body, Lens } from '@roam-dial/core/kit';
import type { Change } from '@roam-dial/core/setup';
import type { Wording } from '../wording';

/** One change to the settings: `open up to f/4`; `from` is the aperture that it comes from. */
export function changeText(
  change: Change,
  from: number,
  { body, lens }: { readonly body: Body; readonly lens: Lens },
  wording: Wording,
): string {
  switch (change.control) {
    case 'aperture':
      return `${change.fNumber < from ? 'open up' : 'stop down'} to ${wording.aperture(change.fNumber, lens.clickStep)}`;
    case 'focus':
      return `focus ${wording.exactDistance(change.distanceM)}`;
    case 'shutter':
      return wording.shutter(change.seconds, body.markStep);
    case 'iso':
      return `ISO ${wording.iso(change.iso, body.markStep)}`;
    case 'support':
      return { handheld: 'by hand', braced: 'brace', tripod: 'tripod' }[change.support];
  }
}
