import { bodyShutters } from '@roam-dial/core/kit';
import { cameraAt, placeOfHand } from '@roam-dial/core/setup';
import type { ManualSettings } from '@roam-dial/core/stop';
import { markedBetween, snapToMark } from '@roam-dial/core/units';
import type { Card } from '../../state/card/card.store';
import type { Wording } from '../../words/wording';

/**
 * What the camera shows of itself at a light with a set-up in hand: its ISO where that floats or is off its base, else its
 * shutter; empty where the camera sets nothing. Nobody in a street reads exposure values, but everybody sees the ISO.
 */
export function showsAt(
  { cells: { scene }, kit: { body } }: Card,
  hand: ManualSettings,
  keyEv100: number,
  wording: Wording,
): string {
  const { mode, isoBase, isoCeiling } = scene.controls;
  if (mode === 'nothingFloats') return '';
  const { iso, shutterS } = cameraAt({ scene, keyEv100 }, placeOfHand(scene, hand));
  const nearest = (value: number, marks: readonly number[]): number => snapToMark({ value, marks, direction: 'nearest' }) ?? value;
  const time = wording.shutter(nearest(shutterS, bodyShutters(body)), body.markStep);
  const isIso = mode === 'isoFloats' || (mode === 'shutterThenIso' && iso > isoBase * 1.001);
  if (!isIso) return time;
  const text = `ISO ${wording.iso(nearest(iso, markedBetween('iso', body.markStep, body.lowestIso, body.highestIso)), body.markStep)}`;
  // At its ceiling the ISO says nothing any more; the time goes on.
  const isAtCeiling = iso >= isoCeiling * 0.999 && body.atCeiling === 'slowerShutter';
  return isAtCeiling ? `${text}, ${time}` : text;
}
