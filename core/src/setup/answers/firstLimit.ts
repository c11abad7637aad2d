import type { SetUpInput } from '../question/searchInput.js';
import { withLight } from '../scene/scene.js';
import type { Limit } from '../search/limits.js';
import { searchAt } from '../search/searchAt.js';
import { prepareSearch } from '../search/searchSetUp.js';
import { type LimitedCell, limitsGrid } from './limitsGrid.js';

/** The light at which the chart of limits gets its first limit, where it has none now. */
export interface FirstLimit {
  readonly ev100: number;
  readonly limit: Limit;
  /** By aperture x mark of the dial, as in the chart at that light. */
  readonly cells: readonly LimitedCell[];
}

/** No light in a street is farther from another, stops. */
const FARTHEST_EV = 12;

/**
 * Looks from the light away, third by third, darker before brighter, until any cell breaks a limit; that of most cells is
 * named. `focus` as in `limitsGrid`. Null where something is limited now, or nothing within twelve stops.
 */
export function firstLimit(input: SetUpInput, focus: number | null): FirstLimit | null {
  const prepared = prepareSearch(input);
  const scene = withLight(prepared, { ...prepared.input.light, spreadEv: 0 });
  const limitedAt = (ev100: number): readonly LimitedCell[] | null => {
    const { cells } = limitsGrid(searchAt(scene, ev100), focus);
    return cells.some(({ limits }) => limits.length > 0) ? cells : null;
  };
  const { keyEv100 } = input.light;
  if (limitedAt(keyEv100) !== null) return null;
  for (let thirds = 1; thirds <= 3 * FARTHEST_EV; thirds++) {
    for (const way of [-1, 1]) {
      const ev100 = keyEv100 + (way * thirds) / 3;
      const cells = limitedAt(ev100);
      if (cells !== null) return { ev100, limit: commonest(cells), cells };
    }
  }
  return null;
}

function commonest(cells: readonly LimitedCell[]): Limit {
  const counts = new Map<Limit, number>();
  for (const { limits } of cells) for (const limit of limits) counts.set(limit, (counts.get(limit) ?? 0) + 1);
  return ([...counts].sort(([, a], [, b]) => b - a)[0] as [Limit, number])[0];
}
