import type { Taken } from '@roam-dial/core/sight';
import type { Card } from './card.store';

/** Of the card's set-up: how soft by distance, and how far a walker's image moves in its time. */
export function takenBy({ result, stop, kit }: Card): Taken {
  const { fNumber, shutterS } = result.setUp.found.camera;
  const { speedMps, travelAngleDeg } = stop.movers;
  const acrossMps = speedMps * Math.abs(Math.sin((travelAngleDeg * Math.PI) / 180));
  const smearMm = (kit.focalLengthMm * acrossMps * shutterS) / stop.subject.medianM;
  return { fNumber, focusM: result.setUp.focus.distanceM, smearMm: Math.min(kit.body.sensorWidthMm, smearMm) };
}

/** EV at ISO 100 of what the camera sets. */
export function evOfCard({ result }: Card): number {
  const { fNumber, shutterS, iso } = result.setUp.found.camera;
  return Math.log2((fNumber * fNumber) / shutterS) - Math.log2(iso / 100);
}
