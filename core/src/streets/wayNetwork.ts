import Flatbush from 'flatbush';
import createGraph, { type Graph } from 'ngraph.graph';
import { aStar } from 'ngraph.path';
import { footOn, type Point, type Way } from './way.js';

/** A way on foot from one place to another. */
export interface FootWay {
  /** Metres east and north, both ends included. */
  readonly points: readonly (readonly [eastM: number, northM: number])[];
  readonly lengthM: number;
  /** Of that, up or down steps. */
  readonly stepsM: number;
}

/** Steps take so many times as long as level ground, metre for metre along the plan (s). */
const STEPS_SLOWNESS = 2;

/** Minutes at a pace on level ground. */
export function footMinutes({ lengthM, stepsM }: Pick<FootWay, 'lengthM' | 'stepsM'>, paceMps: number): number {
  return (lengthM + (STEPS_SLOWNESS - 1) * stepsM) / paceMps / 60;
}

/** Farther from every street than this, and no street leads there (s). */
const NEAR_STREET_M = 80;

export interface WayNetwork {
  /** The quickest way along the streets; null where none leads from the one place to the other. */
  readonly between: (from: Point, to: Point) => FootWay | null;
}

interface Segment {
  readonly from: number;
  readonly to: number;
  readonly isSteps: boolean;
}

interface Link {
  readonly lengthM: number;
  readonly isSteps: boolean;
}

/** The place on a segment that is nearest to a point. */
interface Foot extends Point {
  readonly segment: Segment;
  readonly offsetM: number;
}

type NodeId = number | 'from' | 'to';

const levelM = ({ lengthM, isSteps }: Link): number => lengthM * (isSteps ? STEPS_SLOWNESS : 1);
const apartM = (a: Point, b: Point): number => Math.hypot(a.eastM - b.eastM, a.northM - b.northM);

/** Corners that several streets have in common stand once: there they meet. */
function meshOf(ways: readonly Way[]): { corners: Point[]; segments: Segment[] } {
  const numbers = new Map<string, number>();
  const corners: Point[] = [];
  const numberOf = ([eastM, northM]: readonly [number, number]): number => {
    const key = `${eastM} ${northM}`;
    const known = numbers.get(key);
    if (known !== undefined) return known;
    numbers.set(key, corners.length);
    return corners.push({ eastM, northM }) - 1;
  };
  const segments = ways.flatMap(({ kind, points }) => {
    const along = points.map(numberOf);
    return along.slice(1).map((to, k) => ({ from: along[k] as number, to, isSteps: kind === 'steps' }));
  });
  return { corners, segments };
}

/** Which corners hang together: each carries the number of its part. */
function partsOf(cornerCount: number, segments: readonly Segment[]): Int32Array {
  const parent = Int32Array.from({ length: cornerCount }, (_, k) => k);
  const rootOf = (corner: number): number => {
    let at = corner;
    while (parent[at] !== at) at = parent[at] = parent[parent[at] as number] as number;
    return at;
  };
  for (const { from, to } of segments) parent[rootOf(from)] = rootOf(to);
  return parent.map((_, k) => rootOf(k));
}

const asPair = ({ eastM, northM }: Point): readonly [number, number] => [eastM, northM];

/** Streets made ready to find ways along them: once a district, some milliseconds for thousands of corners. */
export function wayNetwork(ways: readonly Way[]): WayNetwork {
  const { corners, segments } = meshOf(ways);
  if (segments.length === 0) return { between: () => null };
  const parts = partsOf(corners.length, segments);
  const graph: Graph<unknown, Link> = createGraph();
  const index = new Flatbush(segments.length);
  const cornerAt = (id: NodeId, ends: Readonly<Record<'from' | 'to', Point>>): Point =>
    typeof id === 'number' ? (corners[id] as Point) : ends[id];
  for (const { from, to, isSteps } of segments) {
    const [a, b] = [corners[from] as Point, corners[to] as Point];
    index.add(Math.min(a.eastM, b.eastM), Math.min(a.northM, b.northM), Math.max(a.eastM, b.eastM), Math.max(a.northM, b.northM));
    graph.addLink(from, to, { lengthM: apartM(a, b), isSteps });
  }
  index.finish();

  /** The nearest foot on each part of the streets that is near enough. */
  const feetOf = (point: Point): ReadonlyMap<number, Foot> => {
    const nearest = new Map<number, Foot>();
    for (const k of index.neighbors(point.eastM, point.northM, Infinity, NEAR_STREET_M)) {
      const segment = segments[k] as Segment;
      const [a, b] = [corners[segment.from] as Point, corners[segment.to] as Point];
      const foot = { ...footOn(asPair(a), asPair(b), point), segment };
      const part = parts[segment.from] as number;
      if (foot.offsetM <= NEAR_STREET_M && foot.offsetM < (nearest.get(part)?.offsetM ?? Infinity)) nearest.set(part, foot);
    }
    return nearest;
  };

  const hang = (id: 'from' | 'to', foot: Foot): void => {
    for (const corner of [foot.segment.from, foot.segment.to]) {
      graph.addLink(id, corner, { lengthM: apartM(foot, corners[corner] as Point), isSteps: foot.segment.isSteps });
    }
  };

  const alongStreets = (from: Foot, to: Foot): readonly { id: NodeId; link: Link | null }[] => {
    hang('from', from);
    hang('to', to);
    if (from.segment === to.segment) graph.addLink('from', 'to', { lengthM: apartM(from, to), isSteps: from.segment.isSteps });
    const ends = { from, to };
    const finder = aStar(graph, {
      distance: (_a, _b, { data }) => levelM(data),
      heuristic: (a, b) => apartM(cornerAt(a.id as NodeId, ends), cornerAt(b.id as NodeId, ends)),
    });
    // It comes from the end back to the beginning.
    const path = finder.find('from', 'to').reverse();
    const found = path.map(({ id }, k) => ({
      id: id as NodeId,
      link: k === 0 ? null : linkBetween(path[k - 1]?.id as NodeId, id as NodeId),
    }));
    graph.removeNode('from');
    graph.removeNode('to');
    return found;
  };
  const linkBetween = (a: NodeId, b: NodeId): Link | null => (graph.getLink(a, b) ?? graph.getLink(b, a))?.data ?? null;

  const between = (from: Point, to: Point): FootWay | null => {
    const [starts, goals] = [feetOf(from), feetOf(to)];
    const pairs = [...starts].flatMap(([part, start]) => {
      const goal = goals.get(part);
      return goal === undefined ? [] : [{ start, goal, offM: start.offsetM + goal.offsetM }];
    });
    const [best] = pairs.sort((a, b) => a.offM - b.offM);
    if (best === undefined) return null;
    const { start, goal, offM } = best;
    const straightM = apartM(from, to);
    // Nearer to one another than to the street: one walks across.
    if (straightM <= offM) return { points: [asPair(from), asPair(to)], lengthM: straightM, stepsM: 0 };
    const path = alongStreets(start, goal);
    const ends = { from: start, to: goal };
    const links = path.flatMap(({ link }) => (link === null ? [] : [link]));
    return {
      points: [asPair(from), ...path.map(({ id }) => asPair(cornerAt(id, ends))), asPair(to)],
      lengthM: links.reduce((sum, { lengthM }) => sum + lengthM, offM),
      stepsM: links.reduce((sum, { lengthM, isSteps }) => sum + (isSteps ? lengthM : 0), 0),
    };
  };
  return { between };
}
