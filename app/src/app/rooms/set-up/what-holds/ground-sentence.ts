import { blurDiscMm, diffractionBlurMm } from '@roam-dial/core/optics';
import { zoneLawOf } from '@roam-dial/core/stop';
import type { Card } from '../../../state/card/card.store';
import type { Wording } from '../../../words/wording';

/** `94 % of passers-by are in focus. Soft at far wall, 8 m: by 5 pixels.` */
export function groundSentence({ result, input, stop, kit }: Card, wording: Wording): string {
  const { found } = result.setUp;
  const { hand, factors, sharp } = found;
  const of100 = Math.round(factors.depth * 100);
  const isAll = zoneLawOf(input) === 'allOfIt';
  const who = isAll
    ? `${of100 === 100 ? 'All' : `${Math.max(0, Math.round(100 - (100 - of100) / 2))} %`} of what you want sharp is in focus`
    : input.approach.focus === 'fixedZone' && input.subject.spread === 0
      ? `${of100} % of your frames at “about ${wording.distance(input.subject.medianM)}” are in focus`
      : `${of100} % of passers-by are in focus`;
  const zone = sharp === null ? 'Nothing is sharp: diffraction alone is softer than your standard.' : `${who}.`;
  const farthest = [...(stop.ground ?? [])].sort((a, b) => b.distanceM - a.distanceM)[0];
  if (farthest === undefined || farthest.distanceM <= kit.focalLengthMm / 1000) return zone;
  const { pixelsAcross, sensorWidthMm } = kit.body;
  const defocusMm = blurDiscMm({
    focalLengthMm: kit.focalLengthMm,
    fNumber: hand.fNumber,
    focusDistanceM: hand.focusM,
    objectDistanceM: farthest.distanceM,
  });
  const blurMm = Math.hypot(defocusMm, diffractionBlurMm(hand.fNumber));
  const soft =
    pixelsAcross === null
      ? `a disc of ${blurMm.toFixed(3)} mm`
      : `${Math.max(1, Math.round((blurMm * pixelsAcross) / sensorWidthMm))} pixels`;
  return `${zone} Soft at ${farthest.label}, ${wording.distance(farthest.distanceM)}: by ${soft}.`;
}
