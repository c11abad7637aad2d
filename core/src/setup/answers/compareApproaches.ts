import { type Approach, APPROACHES } from '../../stop/index.js';
import { bestCell } from '../search/best.js';
import { type Evaluation, evaluationAt } from '../search/evaluation.js';
import { type Limit, limitsAt } from '../search/limits.js';
import { placeOfCell, searchAt } from '../search/searchAt.js';
import { exposureUsed, type SetUpInput } from '../question/searchInput.js';
import { prepareSearch } from '../search/searchSetUp.js';

export type Dimension = keyof Approach;

/** One school on the same stop in the same light, everything else as it is. */
export type ApproachRow = {
  readonly dimension: Dimension;
  readonly value: Approach[Dimension];
  readonly isOnStop: boolean;
} & (
  | {
      readonly kind: 'works' | 'none';
      readonly best: Evaluation;
      /** With the set-up left alone as the light falls; null where nothing fails within nine stops. */
      readonly failsFirst: { readonly limit: Limit; readonly ev100: number } | null;
    }
  | { readonly kind: 'notWithThisBody' }
);

const DOWN_THIRDS = 27;

function canRun({ body }: SetUpInput, exposure: Approach['exposure']): boolean {
  if ((exposure === 'film') !== (body.medium === 'film')) return false;
  return exposure !== 'aperturePriority' || body.slowestAutoShuttersS.length > 0;
}

function rowFor(input: SetUpInput, dimension: Dimension, value: Approach[Dimension]): ApproachRow {
  const current = dimension === 'exposure' ? exposureUsed(input) : input.approach[dimension];
  const head = { dimension, value, isOnStop: current === value };
  if (dimension === 'exposure' && !canRun(input, value as Approach['exposure'])) return { ...head, kind: 'notWithThisBody' };
  const scene = prepareSearch({ ...input, approach: { ...input.approach, [dimension]: value } });
  const { keyEv100 } = input.light;
  const now = searchAt(scene, keyEv100);
  const { cell, isEnough } = bestCell(now);
  const place = placeOfCell(now, cell);
  const best = evaluationAt(now, place);
  const broken = new Set(best.limits.map(({ limit }) => limit));
  for (let third = 1; third <= DOWN_THIRDS; third++) {
    const ev100 = keyEv100 - third / 3;
    const failed = limitsAt(searchAt(scene, ev100, { only: place }), place).find(({ limit }) => !broken.has(limit));
    if (failed !== undefined)
      return { ...head, kind: isEnough ? 'works' : 'none', best, failsFirst: { limit: failed.limit, ev100 } };
  }
  return { ...head, kind: isEnough ? 'works' : 'none', best, failsFirst: null };
}

/**
 * The schools compared one dimension at a time, the others as on the stop: five of exposure, three of focus, four of
 * depth, three of support; the chance, the ISO, and what fails first, and where, when the set-up is left alone as the
 * light falls. Source: docs/formulas.md#approaches.
 * @throws as `searchSetUp`
 */
export function compareApproaches(input: SetUpInput): readonly ApproachRow[] {
  return (Object.keys(APPROACHES) as Dimension[]).flatMap((dimension) =>
    APPROACHES[dimension].map((value) => rowFor(input, dimension, value)),
  );
}
