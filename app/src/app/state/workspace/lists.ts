import { LONGEST_NAME } from '@roam-dial/core/formats/archive';
import type { Workspace } from '../../storage/workspace';

/** Changes of the workspace, each a pure function from one to the next. */
export type WorkspaceChange = (workspace: Workspace) => Workspace;

/** The list with one of it changed. */
export function replaced<Item extends { readonly id: string }>(
  items: readonly Item[],
  id: string,
  change: (item: Item) => Item,
): readonly Item[] {
  return items.map((item) => (item.id === id ? change(item) : item));
}

/** The copy goes right behind its original. */
export function duplicated<Item extends { readonly id: string }>(
  items: readonly Item[],
  id: string,
  copy: (item: Item) => Item,
): readonly Item[] {
  return items.flatMap((item) => (item.id === id ? [item, copy(item)] : [item]));
}

const COPY = ' (copy)';

/** As long as a name may be at most, whatever it is a copy of. */
export function copyName(name: string): string {
  return `${name.slice(0, LONGEST_NAME - COPY.length)}${COPY}`;
}
