import type { SceneDescription, SceneKey } from '../map/scene.js';
import { SMALL_MAP } from '../map/luminanceMap.js';
import { paintScene } from '../map/paintScene.js';
import { keyOnMap } from '../patterns/keyOnMap.js';
import { patternEv } from '../patterns/patterns.js';
import { prepareMap } from '../patterns/prepareMap.js';
import type { MixedLight } from './keepingExposure.js';

/** What a whole-frame meter and a key of a scene have of light that stays and of light that changes. */
export function mixedLightOf(
  scene: SceneDescription,
  key: SceneKey = scene.keys[0],
  { width, height }: { readonly width: number; readonly height: number } = SMALL_MAP,
): { readonly frame: MixedLight; readonly key: MixedLight } | null {
  const [withAll, without] = [false, true].map((withoutChanging) =>
    prepareMap(paintScene(scene, { width, height, withoutChanging })),
  );
  if (withAll === undefined || without === undefined) return null;
  const found = keyOnMap(withAll, key);
  if (found === null) return null;
  let [keySteady, cells] = [0, 0];
  for (let place = 0; place < without.ev.length; place++) {
    if (!found.has(place)) continue;
    keySteady += 2 ** (without.ev[place] as number);
    cells++;
  }
  const mixed = (all: number, steady: number): MixedLight => ({ steady, changing: Math.max(0, all - steady) });
  const ask = { pattern: 'wholeFrame', at: scene.focus, straightOverEv: 0 } as const;
  return {
    frame: mixed(2 ** patternEv(withAll, ask), 2 ** patternEv(without, ask)),
    key: mixed(2 ** found.readEv, keySteady / cells),
  };
}
