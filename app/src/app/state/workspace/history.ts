import { mergePatches, type Patch, type PatchPath, applyPatches } from '../../storage/patch';

/** An edit as one step of undo. */
export interface Edit {
  readonly label: string;
  readonly mergeKey: string | null;
  readonly at: number;
  readonly patches: readonly Patch[];
}

export interface EditOptions {
  /** What undo says it takes back: "move Orrel Steps". */
  readonly label: string;
  /** Edits with the same key in quick succession are one step of undo: a drag, a word being typed. */
  readonly mergeKey?: string | undefined;
}

/** What can be undone and redone, the latest last; nothing is ever changed in place. */
export interface History {
  readonly done: readonly Edit[];
  readonly undone: readonly Edit[];
}

/** What undo and redo would take back and bring back. */
export interface HistoryLabels {
  readonly undo: string | null;
  readonly redo: string | null;
}

export const NO_HISTORY: History = { done: [], undone: [] };

const MERGE_WITHIN_MS = 1500;
const LONGEST = 200;

export function remembered({ done }: History, edit: Edit): History {
  const last = done.at(-1);
  const merges = edit.mergeKey !== null && last?.mergeKey === edit.mergeKey && edit.at - last.at < MERGE_WITHIN_MS;
  if (!merges) return { done: [...done, edit].slice(-LONGEST), undone: [] };
  return { done: [...done.slice(0, -1), { ...edit, patches: mergePatches([...last.patches, ...edit.patches]) }], undone: [] };
}

const placeOf = (path: PatchPath): string => JSON.stringify(path);

/**
 * The history after changes that are nobody's doing. What somebody put in has become something else by them, so that taking it
 * back finds it changed: the history follows, and undo takes it out as it is now, redo puts it in again so.
 */
export function following(history: History, recorded: readonly Patch[]): History {
  const inside = new Map<string, Patch[]>();
  for (const patch of recorded) {
    for (let depth = 2; depth <= patch.path.length; depth++) {
      const place = placeOf(patch.path.slice(0, depth));
      inside.set(place, [...(inside.get(place) ?? []), { ...patch, path: patch.path.slice(depth) }]);
    }
  }
  const steps = new Set(recorded.flatMap(({ path }) => path));
  const followed = (patch: Patch): Patch => {
    const own =
      patch.op === 'insert' && steps.has(`@${patch.id}`) ? inside.get(placeOf([...patch.path, `@${patch.id}`])) : undefined;
    return patch.op !== 'insert' || own === undefined ? patch : { ...patch, value: applyPatches(patch.value, own).data };
  };
  return { ...history, done: history.done.map((edit) => ({ ...edit, patches: edit.patches.map(followed) })) };
}

export function labelsOf({ done, undone }: History): HistoryLabels {
  return { undo: done.at(-1)?.label ?? null, redo: undone.at(-1)?.label ?? null };
}
