import type { KitItem, Standard } from '../kit/index.js';
import type { District } from '../streets/index.js';

/** What a person has that a walk is planned with. */
export interface PlanningData {
  readonly kit: readonly KitItem[];
  readonly standard: Standard;
  readonly districts: readonly District[];
}
