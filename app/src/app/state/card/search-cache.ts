import {
  type SettingsGrid,
  checkSetUpInput,
  prepareSearch,
  withLight,
  type Scene,
  searchAt,
  type SetUpInput,
} from '@roam-dial/core/setup';

const MOST = 6;

/** Everything of a search but the light's brightness, by identity: what was not edited is the same object. */
export function lightIndependentParts({ light, ...rest }: SetUpInput): readonly unknown[] {
  return [...Object.values(rest), light.spreadEv, light.surface];
}

/** All of the light that a card shows: its frame is painted with the sky and the shade too, not with its key alone. */
const OF_THE_LIGHT = [
  'keyEv100',
  'contrastEv',
  'modelEv100',
  'shadeEv',
  'litGroundEv',
  'litPersonEv',
  'cameraSideEv',
  'skyEv',
  'isLit',
  'lampsOn',
] as const satisfies readonly (keyof SetUpInput['light'])[];

function isSameLight(a: SetUpInput['light'], b: SetUpInput['light']): boolean {
  return OF_THE_LIGHT.every((part) => a[part] === b[part]);
}

interface Kept {
  readonly parts: readonly unknown[];
  readonly scene: Scene;
  cells: SettingsGrid | null;
}

/** The last few stops' prepared searches: a moved time or a corrected light asks the same scene again. */
export class SearchCache {
  private readonly kept: Kept[] = [];

  of(input: SetUpInput): Scene {
    return withLight(this.find(input).scene, input.light);
  }

  /** Every cell at the input's own light; the same object while that stays the same, as when a hand is dragged. */
  cellsOf(input: SetUpInput): SettingsGrid {
    const kept = this.find(input);
    if (kept.cells === null || !isSameLight(kept.cells.scene.input.light, input.light)) {
      kept.cells = searchAt(withLight(kept.scene, input.light), input.light.keyEv100);
    }
    return kept.cells;
  }

  private find(input: SetUpInput): Kept {
    checkSetUpInput(input);
    const parts = lightIndependentParts(input);
    const found = this.kept.find((one) => one.parts.length === parts.length && one.parts.every((part, k) => part === parts[k]));
    if (found !== undefined) return found;
    const kept: Kept = { parts, scene: prepareSearch(input), cells: null };
    this.kept.unshift(kept);
    this.kept.length = Math.min(this.kept.length, MOST);
    return kept;
  }
}
