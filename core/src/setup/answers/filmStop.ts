import { bodyShutters } from '../../kit/index.js';
import type { FilmStop } from '../../metering/index.js';
import type { SetUpInput } from '../question/searchInput.js';
import { shakeLimitS } from '../scene/steadiness.js';
import { prepareSearch } from '../search/searchSetUp.js';
import { typicalMotionLimitS } from './motionLimit.js';

/** A mark within this of a limit keeps it. */
const CLICK = 1.02;

/**
 * A stop as a roll of film sees it, while its metered light runs from one EV to another: the apertures of the lens that hold
 * its depth, the times of the body that its hands and its walkers bear; where none do, the best there is of either.
 * @throws as `searchSetUp`
 */
export function filmStopOf(
  id: string,
  input: SetUpInput,
  { lowEv, highEv }: { readonly lowEv: number; readonly highEv: number },
): FilmStop {
  const scene = prepareSearch(input);
  const { controls, table, figures } = scene;
  const focuses = controls.focusM.length;
  const depths = controls.fNumbers.map((_, aperture) =>
    Math.max(...Array.from({ length: focuses }, (__, focus) => table.depth[aperture * focuses + focus] as number)),
  );
  const enough = Math.min(figures.softFactor, Math.max(...depths)) - 1e-9;
  const longestS = Math.min(shakeLimitS(input, input.approach.support), typicalMotionLimitS(scene)) * CLICK;
  const marks = bodyShutters(input.body);
  const times = marks.filter((seconds) => seconds <= longestS);
  const fastest = Math.min(...marks);
  return {
    id,
    lowEv: lowEv - scene.keyToneEv,
    highEv: highEv - scene.keyToneEv,
    fNumbers: controls.fNumbers.filter((_, aperture) => (depths[aperture] as number) >= enough),
    shuttersS: times.length > 0 ? times : [fastest],
  };
}
