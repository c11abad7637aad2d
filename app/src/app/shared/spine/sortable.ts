import type { Injector } from '@angular/core';
import type { DragRef, DropListRef } from '@angular/cdk/drag-drop';
import { fetched } from '../../base/fetched';

/** A list whose items are dragged into another order. */
export interface Sortable {
  /** Takes the list's items as they are now. */
  renew(): void;
}

/** Dragging's machinery comes when somebody first reaches for the list: most who look at a walk do not sort it. */
export async function makeSortable(
  list: HTMLElement,
  injector: Injector,
  onMove: (from: number, to: number) => void,
): Promise<Sortable> {
  const { DragDrop } = await fetched('Dragging', () => import('@angular/cdk/drag-drop'));
  const dragDrop = injector.get(DragDrop);
  const dropList: DropListRef = dragDrop.createDropList(list);
  dropList.dropped.subscribe(({ previousIndex, currentIndex }) => onMove(previousIndex, currentIndex));
  let drags: readonly DragRef[] = [];
  const renew = (): void => {
    for (const drag of drags) drag.dispose();
    drags = Array.from(list.children, (item) => dragDrop.createDrag(item as HTMLElement));
    dropList.withItems([...drags]);
  };
  renew();
  return { renew };
}
