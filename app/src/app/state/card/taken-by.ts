import { exposureValue100 } from '@roam-dial/core/exposure';
import { sightTakenBy } from '@roam-dial/core/plan';
import type { SightShown } from '../../workers/sight/sight-jobs';
import type { Card } from './card.store';

/** As the card's set-up takes its frame: soft by distance, the walker smeared, at what the camera sets. */
export function takenBy({ result, stop, kit }: Card): Required<Pick<SightShown, 'taken' | 'exposed'>> {
  const { camera } = result.setUp.found;
  return {
    taken: sightTakenBy(kit, stop, { ...camera, focusM: result.setUp.focus.distanceM }),
    exposed: { by: 'ev', ev100: exposureValue100(camera) },
  };
}
