import { type Limit, limitsAt } from './limits.js';
import type { GridCell, SettingsGrid } from './searchAt.js';

/** What stops a control on one side of the best: the mark at which it is broken; `end` is the last mark there is. */
export type SideLimit =
  | { readonly kind: 'limit'; readonly limit: Limit; readonly at: number; readonly steps: number }
  | { readonly kind: 'end'; readonly at: number; readonly steps: number };

/** By the marks' ascending order: a lower aperture is wider, a lower mark of the dial is faster (or a lower ISO). */
export interface Sides {
  readonly apertureLower: SideLimit;
  readonly apertureHigher: SideLimit;
  readonly dialLower: SideLimit;
  readonly dialHigher: SideLimit;
  readonly focusLower: SideLimit;
  readonly focusHigher: SideLimit;
}

type Axis = keyof GridCell;

function marksOf({ scene: { controls } }: SettingsGrid, axis: Axis): readonly number[] {
  return { aperture: controls.fNumbers, dial: controls.dial.values, focus: controls.focusM }[axis];
}

/** Walks from the best along one control to the first limit that the best itself does not break. */
function walk(cells: SettingsGrid, best: GridCell, axis: Axis, step: 1 | -1): SideLimit {
  const marks = marksOf(cells, axis);
  const own = new Set(limitsAt(cells, best).map(({ limit }) => limit));
  let steps = 0;
  for (let k = best[axis] + step; k >= 0 && k < marks.length; k += step) {
    steps++;
    const broken = limitsAt(cells, { ...best, [axis]: k }).find(({ limit }) => !own.has(limit));
    if (broken !== undefined) return { kind: 'limit', limit: broken.limit, at: marks[k] as number, steps };
  }
  return { kind: 'end', at: marks[best[axis] + steps * step] as number, steps };
}

/** The limit named on each side of the best is the first broken in that direction. */
export function sidesOf(cells: SettingsGrid, best: GridCell): Sides {
  return {
    apertureLower: walk(cells, best, 'aperture', -1),
    apertureHigher: walk(cells, best, 'aperture', 1),
    dialLower: walk(cells, best, 'dial', -1),
    dialHigher: walk(cells, best, 'dial', 1),
    focusLower: walk(cells, best, 'focus', -1),
    focusHigher: walk(cells, best, 'focus', 1),
  };
}
