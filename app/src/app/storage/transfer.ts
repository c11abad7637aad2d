import { type Archive, COLLECTIONS, LIST_NAMES, type ListName, type Reference } from '@roam-dial/core/formats/archive';
import { isSame } from './patch';
import type { Workspace } from './workspace';

export type ImportMode = 'replace' | 'add';

interface Row {
  readonly id: string;
}

/** New ids by list, for rows whose own is taken by something else. */
type NewIds = Readonly<Record<ListName, ReadonlyMap<string, string>>>;

/** A workspace with an archive taken in, and what rows of the archive are called in it, where that is not what they were. */
export interface Imported {
  readonly workspace: Workspace;
  readonly ids: NewIds;
}

const sameIds = (): NewIds => Object.fromEntries(LIST_NAMES.map((name) => [name, new Map()])) as unknown as NewIds;

/** A reference followed to its end, and named anew there. */
function renamedAt(value: unknown, path: readonly string[], ids: ReadonlyMap<string, string>): unknown {
  const [step, ...rest] = path;
  if (step === undefined) return typeof value === 'string' ? (ids.get(value) ?? value) : value;
  if (step === '*' && Array.isArray(value)) return value.map((one: unknown) => renamedAt(one, rest, ids));
  if (typeof value !== 'object' || value === null || !(step in value)) return value;
  const record = value as Readonly<Record<string, unknown>>;
  return { ...record, [step]: renamedAt(record[step], rest, ids) };
}

function withReferences<One extends Row>(row: One, refersTo: readonly Reference[], ids: NewIds): One {
  return refersTo
    .filter(({ to }) => ids[to].size > 0)
    .reduce<One>((now, { to, path }) => renamedAt(now, path, ids[to]) as One, row);
}

/** New names for incoming rows whose id is taken by something else; what is the same already keeps its id. */
function newIds(existing: readonly Row[], incoming: readonly Row[], createId: () => string): ReadonlyMap<string, string> {
  const taken = new Map(existing.map((row) => [row.id, row]));
  return new Map(
    incoming.flatMap((row) => {
      const mine = taken.get(row.id);
      return mine === undefined || isSame(mine, row) ? [] : [[row.id, createId()] as const];
    }),
  );
}

/**
 * An archive taken into the workspace. `replace` puts it in the place of all there is; `add` keeps what there is, lets
 * identical rows be, and gives new ids to those that differ under an old one, in their references too, as the collections
 * describe them. The person's own standard and settings stay when adding.
 */
export function importInto(workspace: Workspace, archive: Archive, mode: ImportMode, createId: () => string): Imported {
  let ids = sameIds();
  if (mode === 'replace') return { workspace: archive, ids };
  const added: Partial<Record<ListName, readonly Row[]>> = {};
  // What is referred to comes before what refers: a row whose references are renamed is another row.
  for (const name of LIST_NAMES) {
    const { refersTo } = COLLECTIONS[name];
    const [own, incoming] = [workspace[name] as readonly Row[], archive[name] as readonly Row[]];
    const referring = incoming.map((row) => withReferences(row, refersTo, ids));
    ids = { ...ids, [name]: newIds(own, referring, createId) };
    const there = new Set(own.map(({ id }) => id));
    added[name] = referring
      .map((row) =>
        withReferences(
          { ...row, id: ids[name].get(row.id) ?? row.id },
          refersTo.filter(({ to }) => to === name),
          ids,
        ),
      )
      .filter(({ id }) => !there.has(id));
  }
  const taken = LIST_NAMES.reduce<Workspace>(
    (now, name) => ({ ...now, [name]: [...(workspace[name] as readonly Row[]), ...(added[name] ?? [])] }),
    workspace,
  );
  return { workspace: taken, ids };
}
