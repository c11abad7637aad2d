import { distanceBetweenM } from '../walk/index.js';
import type { Place } from '../light/index.js';
import { footOn, metresFrom, placeAt, type Point } from '../streets/index.js';

/** A line on the ground from the first place to the last. */
export type Course = readonly Place[];

interface Flat {
  readonly origin: Place;
  readonly points: readonly Point[];
}

/** Flat metres round the first place. */
function flat(course: Course): Flat {
  const origin = course[0] as Place;
  return { origin, points: course.map((place) => metresFrom(origin, place)) };
}

const lengthM = (a: Point, b: Point): number => Math.hypot(b.eastM - a.eastM, b.northM - a.northM);
const corner = ({ eastM, northM }: Point): readonly [number, number] => [eastM, northM];

export function courseLengthM(course: Course): number {
  return course.slice(1).reduce((sum, place, k) => sum + distanceBetweenM(course[k] as Place, place), 0);
}

/** The place so many metres along a course; its ends before and behind it. Null for a course of no places. */
export function placeAlong(course: Course, alongM: number): Place | null {
  if (course.length === 0) return null;
  const { origin, points } = flat(course);
  let left = Math.max(0, alongM);
  for (let k = 1; k < points.length; k++) {
    const [a, b] = [points[k - 1] as Point, points[k] as Point];
    const length = lengthM(a, b);
    if (left <= length && length > 0) {
      const share = left / length;
      const eastM = a.eastM + share * (b.eastM - a.eastM);
      return placeAt(origin, { eastM, northM: a.northM + share * (b.northM - a.northM) });
    }
    left -= length;
  }
  return course.at(-1) as Place;
}

export interface OnCourse {
  /** From the nearest place of the course to its end. */
  readonly leftM: number;
  /** How far beside the course one is. */
  readonly besideM: number;
}

/** How far it is to the end of a course from a place on it or beside it, metres. Null for a course of no places. */
export function onCourse(course: Course, here: Place): OnCourse | null {
  if (course.length === 0) return null;
  const { origin, points } = flat(course);
  const at = metresFrom(origin, here);
  const only = points[0] as Point;
  if (points.length === 1) return { leftM: 0, besideM: lengthM(at, only) };
  let behindM = 0;
  let best: OnCourse | null = null;
  for (let k = points.length - 1; k > 0; k--) {
    const [a, b] = [points[k - 1] as Point, points[k] as Point];
    const foot = footOn(corner(a), corner(b), at);
    if (best === null || foot.offsetM < best.besideM) best = { leftM: behindM + lengthM(foot, b), besideM: foot.offsetM };
    behindM += lengthM(a, b);
  }
  return best;
}
