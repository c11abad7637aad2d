import { prepareSearch, relit, type Scene, type SetUpInput } from '@roam-dial/core';

const MOST = 6;

/** Everything of a search but the light's brightness, by identity: what was not edited is the same object. */
function partsOf({ light, ...rest }: SetUpInput): readonly unknown[] {
  return [...Object.values(rest), light.spreadEv, light.surface];
}

/** The last few stops' prepared searches: a moved time or a corrected light asks the same scene again. */
export class Scenes {
  private readonly kept: { readonly parts: readonly unknown[]; readonly scene: Scene }[] = [];

  of(input: SetUpInput): Scene {
    const parts = partsOf(input);
    const found = this.kept.find((one) => one.parts.length === parts.length && one.parts.every((part, k) => part === parts[k]));
    const scene = found?.scene ?? prepareSearch(input);
    if (found === undefined) {
      this.kept.unshift({ parts, scene });
      this.kept.length = Math.min(this.kept.length, MOST);
    }
    return relit(scene, input.light);
  }
}
