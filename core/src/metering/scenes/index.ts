import type { SceneDescription } from '../map/scene.js';
import { SCENES_BY_DAY } from './byDay.js';
import { SCENES_BY_NIGHT } from './byNight.js';

/** Made-up scenes that a meter is fooled by, and one that it is not. */
export const BUILT_IN_SCENES: readonly SceneDescription[] = [...SCENES_BY_DAY, ...SCENES_BY_NIGHT].map((scene) => scene());
