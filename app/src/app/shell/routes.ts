import { inject, type Type } from '@angular/core';
import type { Route, Routes } from '@angular/router';
import { map, type Observable, take } from 'rxjs';
import { fetched } from '../base/fetched';
import type { Loader, Room, RoomPage } from '../shared/room';
import { OutingStore } from '../state/outing/outing.store';
import type { PageTab } from '../ui/page-tabs';
import { PartMissing } from '../ui/part-missing';
import { isPhone } from './phone';
import { ROOMS } from './rooms';

/** A page's component, or the page that says it could not be loaded: no address waits for a part in silence. */
const part =
  (load: Loader): (() => Promise<Type<unknown>>) =>
  () =>
    fetched('This page', load).catch(() => PartMissing);

/** While a walk goes on, what is now; else in the hand the card comes first, at the table the walk. */
function firstRoom(): Observable<string> {
  const usual = isPhone() ? 'card' : 'walk';
  return inject(OutingStore).isRunning$.pipe(
    take(1),
    map((isRunning) => (isRunning ? 'now' : usual)),
  );
}

const titleOf = ({ name }: Room): string => `${name} · Roam Dial`;

/** A page under the view of its room. */
const childOf = ({ path, load, data = {} }: RoomPage): Route => ({ path, data, loadComponent: part(load) });

/** A page that stands alone. */
const aloneOf = (room: Room, { path, load, data = {} }: RoomPage): Route => ({
  path: path === '' ? room.path : `${room.path}/${path}`,
  title: titleOf(room),
  data,
  loadComponent: part(load),
});

export function routesOf(room: Room): Routes {
  const { path, view, pages, pagesName = room.name } = room;
  if (view === undefined) return pages.map((page) => aloneOf(room, page));
  const tabs: readonly PageTab[] = pages.map((page) => ({ path: `/${path}/${page.path}`, name: page.name }));
  const first: Route = { path: '', pathMatch: 'full', redirectTo: pages[0].path };
  return [
    {
      path,
      title: titleOf(room),
      data: { tabs, tabsName: pagesName },
      loadComponent: part(view),
      children: [first, ...pages.map(childOf)],
    },
  ];
}

/** Rooms; what is not built yet is not here. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: firstRoom },
  ...ROOMS.flatMap(routesOf),
  { path: '**', redirectTo: 'walk' },
];
