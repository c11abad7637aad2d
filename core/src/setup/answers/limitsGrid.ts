import { bestCell } from '../search/best.js';
import { type Evaluation, evaluationAt } from '../search/evaluation.js';
import { type Limit, limitsAt } from '../search/limits.js';
import { type GridCell, gridIndex, type SettingsGrid, placeOfCell } from '../search/searchAt.js';
import type { Dial } from '../question/controls.js';

/** One cell of the limits chart: aperture by mark of the dial, at the focus in hand or at its best. */
export interface LimitedCell {
  readonly place: GridCell;
  readonly chance: number;
  /** Empty on the island. */
  readonly limits: readonly Limit[];
}

export interface LimitsGrid {
  readonly fNumbers: readonly number[];
  readonly dial: Dial;
  readonly focusM: readonly number[];
  /** By aperture x mark of the dial. */
  readonly cells: readonly LimitedCell[];
  readonly best: GridCell;
  readonly bestSetUp: Evaluation;
}

/** The focus with the highest chance; between equals the nearest. */
function bestFocus(cells: SettingsGrid, aperture: number, dial: number): number {
  let best = 0;
  for (let focus = 1; focus < cells.scene.controls.focusM.length; focus++) {
    const chance = cells.chance[gridIndex(cells, { aperture, dial, focus })] as number;
    if (chance > (cells.chance[gridIndex(cells, { aperture, dial, focus: best })] as number) + 1e-9) best = focus;
  }
  return best;
}

/**
 * The limits chart as data. `focus` is the place of the focus in hand among the marks, or null for each cell's own best.
 */
export function limitsGrid(cells: SettingsGrid, focus: number | null): LimitsGrid {
  const { fNumbers, dial, focusM } = cells.scene.controls;
  const best = placeOfCell(cells, bestCell(cells).cell);
  const grid = fNumbers.flatMap((_, aperture) =>
    dial.values.map((__, mark): LimitedCell => {
      const place = { aperture, dial: mark, focus: focus ?? bestFocus(cells, aperture, mark) };
      return {
        place,
        chance: cells.chance[gridIndex(cells, place)] as number,
        limits: limitsAt(cells, place).map(({ limit }) => limit),
      };
    }),
  );
  return { fNumbers, dial, focusM, cells: grid, best, bestSetUp: evaluationAt(cells, best) };
}
