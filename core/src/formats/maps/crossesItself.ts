import Flatbush from 'flatbush';
import type { Outline } from '../../streets/index.js';

type Corner = readonly [number, number];

/** Twice the area of the triangle: above 0 where c lies left of the line from a to b. */
function turn([ax, ay]: Corner, [bx, by]: Corner, [cx, cy]: Corner): number {
  return (bx - ax) * (cy - ay) - (by - ay) * (cx - ax);
}

/** Whether two edges pass through one another; a touch is none. */
function cross(a: Corner, b: Corner, c: Corner, d: Corner): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
}

/** Whether an outline runs through itself, as no wall does: which side of it is inside nobody could say. */
export function crossesItself(outline: Outline): boolean {
  if (outline.length < 4) return false;
  const edgeAt = (k: number): readonly [Corner, Corner] => [outline[k] as Corner, outline[(k + 1) % outline.length] as Corner];
  const index = new Flatbush(outline.length);
  const boxes = outline.map((_, k) => {
    const [[ax, ay], [bx, by]] = edgeAt(k);
    return [Math.min(ax, bx), Math.min(ay, by), Math.max(ax, bx), Math.max(ay, by)] as const;
  });
  for (const box of boxes) index.add(...box);
  index.finish();
  return boxes.some((box, k) => {
    const [a, b] = edgeAt(k);
    return index.search(...box, (other) => other > k && cross(a, b, ...edgeAt(other))).length > 0;
  });
}
