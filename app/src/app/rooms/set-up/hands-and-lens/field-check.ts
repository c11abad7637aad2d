import type { SetUp } from '@roam-dial/core/setup';
import type { Card } from '../../../state/card/card.store';
import { limitWords } from '../../../words/set-up/limits';
import type { Wording } from '../../../words/wording';

export interface HandsCheck {
  readonly steps: readonly string[];
  readonly giveUp: string;
}

function zoneText(sharp: SetUp['focus']['sharp'], wording: Wording): string {
  return sharp === null ? 'nowhere' : `from ${wording.range(sharp.nearM, sharp.farM)}`;
}

/** The aperture past which stopping down costs more than it gives, and what to do then. */
function giveUpText({ result, input, kit }: Card, wording: Wording): string {
  const { sides, focus } = result.setUp;
  const say = (fNumber: number): string => wording.aperture(fNumber, kit.lens.clickStep);
  const { apertureHigher: smaller } = sides;
  const then = 'give up one edge (the far one forgives more), step back, or take the shorter lens';
  if (smaller.kind === 'limit' && smaller.at < focus.diffractionFNumber) {
    return `Give up at ${say(smaller.at)}: from there ${limitWords(smaller.limit, input)}. Then ${then}.`;
  }
  if (focus.diffractionFNumber < smaller.at) {
    return `Give up at ${say(focus.diffractionFNumber)}: diffraction is then softer than your standard. Then ${then}.`;
  }
  return `Give up at ${say(smaller.at)}, the last mark. Then ${then}.`;
}

/**
 * Checking focus on location, as steps fitted to this body and stop: the far edge first, nearer until it just softens,
 * back a touch, the near edge, and one stop down if that fails; where to give up, and what then. A magnified view that
 * does not show small apertures is used only as far as it tells the truth.
 */
export function fieldCheck(card: Card, wording: Wording): HandsCheck {
  const { setUp } = card.result;
  const { body, lens } = card.kit;
  const { nearM, farM } = card.stop.subject;
  const say = (fNumber: number): string => wording.aperture(fNumber, lens.clickStep);
  const shows = body.liveViewSmallestFNumber;
  const isFilm = body.medium === 'film';
  const isLying = shows !== null && setUp.aperture.fNumber > shows * 1.02;
  const far =
    farM === Infinity ? 'the farthest thing that should be sharp' : `something at ${wording.distance(farM)}, the far edge`;
  const isByWire = lens.engravedDistancesM.length === 0;
  const steps = [
    isLying
      ? `Set ${say(shows)}: the magnified view cannot stop down further, so do not trust it beyond that.`
      : `Set ${say(setUp.aperture.fNumber)}, and look ${isFilm ? 'in the finder' : 'in the magnified view'}.`,
    `Focus on ${far}.`,
    `Turn nearer until it just softens, then back a touch${isByWire ? '; this ring has no marks, so turn slowly' : ''}.`,
    `Without touching the ring look at something at ${wording.distance(nearM)}, the near edge.`,
    'Both sharp: leave the ring there. Near edge soft: stop down once and begin again.',
    ...(isLying
      ? [`Past ${say(shows)} trust the numbers: ${say(setUp.aperture.fNumber)} is sharp ${zoneText(setUp.focus.sharp, wording)}.`]
      : []),
    isFilm
      ? 'No picture to check on: take it twice, the second one mark smaller.'
      : 'Take one frame and magnify it at the near edge and at the far edge.',
  ];
  return { steps, giveUp: giveUpText(card, wording) };
}
