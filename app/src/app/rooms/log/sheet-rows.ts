import type { LogStay, PlacedFrame, WalkLog } from '@roam-dial/core/log';

/** Frames of one stop, or of those between the stops. */
export interface SheetGroup {
  readonly stopId: string | null;
  readonly name: string;
  readonly frames: readonly PlacedFrame[];
}

/** A line of the contact sheet; the first of a group says what it is of. */
export interface SheetRow {
  readonly id: string;
  readonly group: SheetGroup;
  readonly isFirst: boolean;
  readonly frames: readonly PlacedFrame[];
}

export const BETWEEN = 'Between the stops';

/** Stops in the order of the walk, each once, then what lies between them; stops without frames are among them, to be filled. */
export function sheetGroups({ stays }: Pick<WalkLog, 'stays'>, placed: readonly PlacedFrame[]): readonly SheetGroup[] {
  const byStop = new Map<string | null, PlacedFrame[]>();
  for (const one of placed) {
    const key = one.stay?.stopId ?? null;
    byStop.set(key, [...(byStop.get(key) ?? []), one]);
  }
  const stops = new Map(stays.map((stay): [string, LogStay] => [stay.stopId, stay]));
  const groups = [...stops.values()].map(({ stopId, name }) => ({
    stopId,
    name: name || 'Unnamed stop',
    frames: byStop.get(stopId) ?? [],
  }));
  const between = byStop.get(null) ?? [];
  return between.length === 0 ? groups : [...groups, { stopId: null, name: BETWEEN, frames: between }];
}

/** Lines of as many frames as there is room for beside one another. */
export function sheetRows(groups: readonly SheetGroup[], columns: number): readonly SheetRow[] {
  return groups.flatMap((group) => {
    const lines = Math.ceil(group.frames.length / columns);
    return Array.from({ length: lines }, (_, k) => ({
      id: `${group.stopId ?? ''}/${k}`,
      group,
      isFirst: k === 0,
      frames: group.frames.slice(k * columns, (k + 1) * columns),
    }));
  });
}

/** Where a key leads: the frame so many beside, or in the line above or below at the same place, or its last. */
export function stepped(rows: readonly SheetRow[], activeId: string | null, key: string): string | null {
  const all = rows.flatMap(({ frames }) => frames);
  const idAt = (at: number): string | null => all[Math.min(all.length - 1, Math.max(0, at))]?.frame.id ?? null;
  const at = all.findIndex(({ frame }) => frame.id === activeId);
  if (at === -1) return idAt(key === 'End' ? all.length - 1 : 0);
  const line = rows.findIndex(({ frames }) => frames.some(({ frame }) => frame.id === activeId));
  const place = rows[line]?.frames.findIndex(({ frame }) => frame.id === activeId) ?? 0;
  const inLine = (k: number): string | null => {
    const frames = rows[Math.min(rows.length - 1, Math.max(0, k))]?.frames ?? [];
    return frames[Math.min(frames.length - 1, place)]?.frame.id ?? activeId;
  };
  switch (key) {
    case 'ArrowRight':
      return idAt(at + 1);
    case 'ArrowLeft':
      return idAt(at - 1);
    case 'ArrowDown':
      return inLine(line + 1);
    case 'ArrowUp':
      return inLine(line - 1);
    case 'Home':
      return idAt(0);
    case 'End':
      return idAt(all.length - 1);
    default:
      return activeId;
  }
}

/** Ids from one frame to another, both of them included, in the order of the sheet. */
export function rangeOf(rows: readonly SheetRow[], fromId: string, toId: string): readonly string[] {
  const ids = rows.flatMap(({ frames }) => frames.map(({ frame }) => frame.id));
  const [from, to] = [ids.indexOf(fromId), ids.indexOf(toId)];
  return from === -1 || to === -1 ? [toId] : ids.slice(Math.min(from, to), Math.max(from, to) + 1);
}
