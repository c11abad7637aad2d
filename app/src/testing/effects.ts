import type { KitItem } from '@roam-dial/core/kit';
import type { Workspace } from '../app/storage/workspace';
import { type Kind, SCENES, type ShownScene, type SceneName, shown, withKit } from './shown';

const before = new Map<SceneName, string>();
function baseline(name: SceneName): string {
  const known = before.get(name) ?? shown(SCENES[name]);
  before.set(name, known);
  return known;
}

/** For every field: a scene in which it counts, and what it is changed to. */
type Effects<Thing, Not extends keyof Thing = never> = {
  readonly [Field in Exclude<keyof Thing, Not>]-?: readonly [SceneName, NonNullable<Thing[Field]> | Thing[Field]];
};

export function everyFieldOf<Thing, Not extends keyof Thing = never>(
  what: string,
  effects: Effects<Thing, Not>,
  put: (over: Partial<Thing>) => (workspace: Workspace) => Workspace,
): void {
  describe(`every field of ${what} changes what is shown`, () => {
    it.each(Object.entries(effects) as [string, readonly [SceneName, unknown]][])('%s', (field, [name, value]) => {
      const scene: ShownScene = SCENES[name];
      const workspace = put({ [field]: value } as Partial<Thing>)(scene.workspace);
      expect(shown({ ...scene, workspace })).not.toBe(baseline(name));
    });
  });
}
export const itemPut =
  <K extends Kind>(kind: K): ((over: Partial<Extract<KitItem, { kind: K }>>) => (workspace: Workspace) => Workspace) =>
  (over) =>
    withKit(kind, (item) => ({ ...item, ...over }) as KitItem);
