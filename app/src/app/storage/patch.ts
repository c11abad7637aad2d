/**
 * What differs between two states of some plain data, field by field, and how to make it so: the one currency of edits,
 * storage and undo. A step of a path is a field's name, or `@id` for the element of a list whose elements have ids.
 */
export type PatchPath = readonly string[];

export type Patch = { readonly path: PatchPath } & (
  | { readonly op: 'set'; readonly before: unknown; readonly after: unknown }
  /** `prev` is the element that it stands behind, null at the head. */
  | { readonly op: 'insert'; readonly id: string; readonly value: unknown; readonly prev: string | null }
  | { readonly op: 'remove'; readonly id: string; readonly value: unknown; readonly prev: string | null }
  | { readonly op: 'move'; readonly id: string; readonly from: string | null; readonly to: string | null }
);

type Plain = Readonly<Record<string, unknown>>;
interface Element {
  readonly id: string;
}

function isPlain(value: unknown): value is Plain {
  return typeof value === 'object' && value !== null && !Array.isArray(value) && !ArrayBuffer.isView(value);
}

/** A list whose elements are known by their ids, each once. */
function isIdentified(value: unknown): value is readonly Element[] {
  if (!Array.isArray(value)) return false;
  if (!value.every((one: unknown) => isPlain(one) && typeof one['id'] === 'string')) return false;
  return new Set((value as readonly Element[]).map(({ id }) => id)).size === value.length;
}

export function isSame(a: unknown, b: unknown): boolean {
  if (Object.is(a, b)) return true;
  if (Array.isArray(a) && Array.isArray(b)) return a.length === b.length && a.every((one, k) => isSame(one, b[k]));
  if (!isPlain(a) || !isPlain(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => key in b && isSame(a[key], b[key]));
}

const idAt = (list: readonly Element[], index: number): string | null => list[index]?.id ?? null;

function without<Item>(list: readonly Item[], index: number): Item[] {
  return [...list.slice(0, index), ...list.slice(index + 1)];
}

/** Behind the element `prev`; at the head for null, at the end where `prev` is gone. */
function placedBehind<Item extends Element>(list: readonly Item[], item: Item, prev: string | null): Item[] {
  const behind = prev === null ? -1 : list.findIndex(({ id }) => id === prev);
  const at = prev !== null && behind === -1 ? list.length : behind + 1;
  return [...list.slice(0, at), item, ...list.slice(at)];
}

/** Moves that bring `now` into the order of `wanted`, which holds the same elements: one where one is enough. */
function movesTo(now: readonly Element[], wanted: readonly Element[], path: PatchPath): Patch[] {
  const moves: Patch[] = [];
  let list = [...now];
  while (list.some(({ id }, k) => id !== wanted[k]?.id)) {
    const first = list.findIndex(({ id }, k) => id !== wanted[k]?.id);
    const displaced = list[first] as Element;
    const target = wanted.findIndex(({ id }) => id === displaced.id);
    const rest = without(list, first);
    // Taken out and put where it belongs, does the rest fall into place? Else the one that belongs here is fetched.
    const isAlone = placedBehind(rest, displaced, idAt(wanted, target - 1)).every(({ id }, k) => id === wanted[k]?.id);
    const from = isAlone ? first : list.findIndex(({ id }) => id === wanted[first]?.id);
    const item = list[from] as Element;
    const to = idAt(wanted, isAlone ? target - 1 : first - 1);
    moves.push({ path, op: 'move', id: item.id, from: idAt(list, from - 1), to });
    list = placedBehind(without(list, from), item, to);
  }
  return moves;
}

function listPatches(before: readonly Element[], after: readonly Element[], path: PatchPath): Patch[] {
  const patches: Patch[] = [];
  const kept = new Map(after.map((item) => [item.id, item]));
  let list = [...before];
  for (const item of before) {
    if (kept.has(item.id)) continue;
    const at = list.indexOf(item);
    patches.push({ path, op: 'remove', id: item.id, value: item, prev: idAt(list, at - 1) });
    list = without(list, at);
  }
  const had = new Map(before.map((item) => [item.id, item]));
  const stayed = after.filter(({ id }) => had.has(id));
  patches.push(...movesTo(list, stayed, path));
  after.forEach((item, k) => {
    const was = had.get(item.id);
    if (was === undefined) patches.push({ path, op: 'insert', id: item.id, value: item, prev: idAt(after, k - 1) });
    else patches.push(...patchesBetween(was, item, [...path, `@${item.id}`]));
  });
  return patches;
}

/** What leads from `before` to `after`; what is the same object is not looked into. */
export function patchesBetween(before: unknown, after: unknown, path: PatchPath = []): Patch[] {
  if (Object.is(before, after)) return [];
  if (isIdentified(before) && isIdentified(after)) return listPatches(before, after, path);
  if (isPlain(before) && isPlain(after)) {
    const keys = new Set([...Object.keys(before), ...Object.keys(after)]);
    return [...keys].flatMap((key) => patchesBetween(before[key], after[key], [...path, key]));
  }
  return isSame(before, after) ? [] : [{ path, op: 'set', before, after }];
}

/** The same the other way round. */
export function invertPatches(patches: readonly Patch[]): Patch[] {
  return [...patches].reverse().map((patch): Patch => {
    const { path } = patch;
    switch (patch.op) {
      case 'set':
        return { path, op: 'set', before: patch.after, after: patch.before };
      case 'insert':
        return { ...patch, op: 'remove' };
      case 'remove':
        return { ...patch, op: 'insert' };
      case 'move':
        return { path, op: 'move', id: patch.id, from: patch.to, to: patch.from };
    }
  });
}

/** Thrown inside where a patch meets something else than it expects, or no place to go to. */
class Conflict extends Error {}

/**
 * One run of patches over some data: whatever is touched is copied once and changed in place from then on, and a list keeps an index
 * of its ids, so that a thousand settings in one list walk it once. The technique is that of drafts; what is not touched stays the
 * same object, and a patch that does not fit touches nothing.
 */
class Draft {
  /** Copies of this run, which may be changed. */
  private readonly owned = new WeakSet<object>();
  private readonly indexes = new WeakMap<object, Map<string, number>>();

  constructor(private root: unknown) {}

  get data(): unknown {
    return this.root;
  }

  make(patch: Patch, isStrict: boolean): void {
    const places: { readonly container: Plain | readonly Element[]; readonly key: string | number }[] = [];
    let here = this.root;
    for (const step of patch.path) {
      const key = step.startsWith('@') ? this.placeOf(here, step.slice(1)) : step;
      if (typeof key === 'string' && !isPlain(here)) throw new Conflict();
      places.push({ container: here as Plain, key });
      here = (here as Plain)[key];
    }
    const next = this.changed(here, patch, isStrict);
    this.write(places, here, next);
  }

  private write(
    places: readonly { readonly container: Plain | readonly Element[]; readonly key: string | number }[],
    before: unknown,
    after: unknown,
  ): void {
    let [was, is] = [before, after];
    for (const { container, key } of [...places].reverse()) {
      if (is === was && (typeof key === 'number' || key in container)) return;
      const own = this.own(container) as Record<string | number, unknown>;
      if (is === undefined && typeof key === 'string') Reflect.deleteProperty(own, key);
      else own[key] = is;
      [was, is] = [container, own];
    }
    this.root = is;
  }

  /** A copy of this run, the same one however often it is asked for. */
  private own<Container extends object>(container: Container): Container {
    if (this.owned.has(container)) return container;
    const copy = (Array.isArray(container) ? [...(container as readonly unknown[])] : { ...container }) as Container;
    this.owned.add(copy);
    const index = this.indexes.get(container);
    if (index !== undefined) {
      this.indexes.delete(container);
      this.indexes.set(copy, index);
    }
    return copy;
  }

  private placeOf(list: unknown, id: string): number {
    const place = this.indexOf(list).get(id);
    if (place === undefined) throw new Conflict();
    return place;
  }

  private indexOf(list: unknown): Map<string, number> {
    const known = typeof list === 'object' && list !== null ? this.indexes.get(list) : undefined;
    if (known !== undefined) return known;
    if (!isIdentified(list)) throw new Conflict();
    const index = new Map(list.map(({ id }, k) => [id, k]));
    this.indexes.set(list, index);
    return index;
  }

  private changed(here: unknown, patch: Patch, isStrict: boolean): unknown {
    if (patch.op === 'set') {
      if (isStrict && !isSame(here, patch.before)) throw new Conflict();
      return patch.after;
    }
    const at = this.indexOf(here).get(patch.id);
    const list = here as readonly Element[];
    if (patch.op === 'insert') {
      if (at === undefined) return this.inserted(list, patch.value as Element, patch.prev);
      if (isStrict) throw new Conflict();
      const own = this.own(list) as Element[];
      own[at] = patch.value as Element;
      return own;
    }
    if (at === undefined) throw new Conflict();
    const item = list[at] as Element;
    if (patch.op === 'remove' && isStrict && !isSame(item, patch.value)) throw new Conflict();
    const rest = this.removed(list, at);
    return patch.op === 'move' ? this.inserted(rest, item, patch.to) : rest;
  }

  /** Behind the element `prev`; at the head for null, at the end where `prev` is gone. */
  private inserted(list: readonly Element[], item: Element, prev: string | null): readonly Element[] {
    const index = this.indexOf(list);
    const at = prev === null ? 0 : (index.get(prev) ?? list.length - 1) + 1;
    const own = this.own(list) as Element[];
    own.splice(at, 0, item);
    this.reindex(own, index, at);
    return own;
  }

  private removed(list: readonly Element[], at: number): readonly Element[] {
    const index = this.indexOf(list);
    const own = this.own(list) as Element[];
    index.delete((own[at] as Element).id);
    own.splice(at, 1);
    this.reindex(own, index, at);
    return own;
  }

  /** From a place on; nothing to speak of at the end of a list, where most is put. */
  private reindex(list: readonly Element[], index: Map<string, number>, from: number): void {
    for (let k = from; k < list.length; k++) index.set((list[k] as Element).id, k);
    this.indexes.set(list, index);
  }
}

export interface PatchesApplied<Data> {
  readonly data: Data;
  /** Those that had no effect: what they change has been changed otherwise since, or is not there any more. */
  readonly misfits: readonly Patch[];
}

/**
 * The data with the patches made. Strictly, each must find what it was made from: for undo, which takes back its own and no
 * one else's. Otherwise the later wins, and only what has no place any more is left.
 */
export function applyPatches<Data>(data: Data, patches: readonly Patch[], { isStrict = false } = {}): PatchesApplied<Data> {
  const misfits: Patch[] = [];
  const draft = new Draft(data);
  for (const patch of patches) {
    try {
      draft.make(patch, isStrict);
    } catch (error) {
      if (!(error instanceof Conflict)) throw error;
      misfits.push(patch);
    }
  }
  return { data: draft.data as Data, misfits };
}

/** The same in fewer: of several settings of one field the first `before` and the last `after`. */
export function mergePatches(patches: readonly Patch[]): Patch[] {
  const kept: Patch[] = [];
  const settings = new Map<string, number>();
  for (const patch of patches) {
    const key = JSON.stringify(patch.path);
    const earlier = settings.get(key);
    const was = earlier === undefined ? undefined : kept[earlier];
    if (patch.op !== 'set') {
      // What stands behind a change of a list may mean another element.
      settings.clear();
      kept.push(patch);
    } else if (earlier !== undefined && was?.op === 'set') {
      kept[earlier] = { ...patch, before: was.before };
    } else {
      settings.set(key, kept.length);
      kept.push(patch);
    }
  }
  return kept.filter((patch) => patch.op !== 'set' || !isSame(patch.before, patch.after));
}
