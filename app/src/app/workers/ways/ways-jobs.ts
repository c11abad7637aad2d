import { type FootWay, type Point, type Way, type WayNetwork, wayNetwork } from '@roam-dial/core/streets';
import { Lru } from '../../base/lru';

/** From one place to another, metres from the district's origin. */
export interface WayPair {
  readonly from: Point;
  readonly to: Point;
}

export type WaysQuestion =
  | { readonly kind: 'streets'; readonly key: string; readonly ways: readonly Way[] }
  | { readonly kind: 'ways'; readonly key: string; readonly pairs: readonly WayPair[] };

export interface WaysProgress {
  readonly share: number;
}

/** The way of each pair, in their order; null where no street leads. */
export type WaysAnswer = readonly (FootWay | null)[];

/** Networks of streets that who asks counts on being known. */
export const MOST_NETWORKS = 4;

/** Ways along the streets of the last districts. */
export class WaysJobs {
  private readonly networks = new Lru<string, WayNetwork>(MOST_NETWORKS);

  *answer(question: WaysQuestion): Generator<WaysProgress, WaysAnswer> {
    if (question.kind === 'streets') {
      this.networks.set(question.key, wayNetwork(question.ways));
      return [];
    }
    const network = this.networks.get(question.key);
    const found: (FootWay | null)[] = [];
    for (const { from, to } of question.pairs) {
      found.push(network?.between(from, to) ?? null);
      yield { share: found.length / question.pairs.length };
    }
    return found;
  }
}
