import type { Routes } from '@angular/router';
import { inject, type Type } from '@angular/core';
import { fetched } from '../data/fetched';
import { map, type Observable, take } from 'rxjs';
import { OutingStore } from '../state/outing.store';
import { PartMissing } from '../ui/part-missing';
import { isPhone } from './phone';

/** A page's component, or the page that says it could not be loaded: no address waits for a part in silence. */
const part =
  (load: () => Promise<Type<unknown>>): (() => Promise<Type<unknown>>) =>
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

/** Rooms; what is not built yet is not here. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: firstRoom },
  { path: 'now', title: 'Now · Roam Dial', loadComponent: part(() => import('../features/now').then((room) => room.NowView)) },
  { path: 'walk', title: 'Walk · Roam Dial', loadComponent: part(() => import('../features/walk').then((room) => room.WalkView)) },
  {
    path: 'walk/plan',
    title: 'Walk · Roam Dial',
    data: { face: 'plan' },
    loadComponent: part(() => import('../features/walk').then((room) => room.WalkView)),
  },
  {
    path: 'walk/before',
    title: 'Before setting off · Roam Dial',
    loadComponent: part(() => import('../features/setting-off').then((room) => room.BeforeSettingOff)),
  },
  {
    path: 'walk/returns',
    title: 'Returns · Roam Dial',
    loadComponent: part(() => import('../features/returns').then((room) => room.ReturnsPage)),
  },
  {
    path: 'light',
    title: 'Light · Roam Dial',
    loadComponent: part(() => import('../features/light').then((room) => room.LightView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'now' },
      { path: 'now', loadComponent: part(() => import('../features/light').then((room) => room.NowPage)) },
      { path: 'year', loadComponent: part(() => import('../features/light').then((room) => room.YearPage)) },
      { path: 'sky', loadComponent: part(() => import('../features/light').then((room) => room.SkyPage)) },
      { path: 'district', loadComponent: part(() => import('../features/light').then((room) => room.DistrictPage)) },
    ],
  },
  {
    path: 'setup',
    title: 'Set-up · Roam Dial',
    loadComponent: part(() => import('../features/set-up').then((room) => room.SetUpView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'holds' },
      { path: 'light', loadComponent: part(() => import('../features/set-up').then((room) => room.AsLightGoesPage)) },
      { path: 'stand', loadComponent: part(() => import('../features/set-up').then((room) => room.StandPage)) },
      { path: 'hands', loadComponent: part(() => import('../features/set-up').then((room) => room.HandsPage)) },
      { path: 'holds', loadComponent: part(() => import('../features/set-up').then((room) => room.HoldsPage)) },
    ],
  },
  {
    path: 'meter',
    title: 'Meter · Roam Dial',
    loadComponent: part(() => import('../features/meter').then((room) => room.MeterView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'tones' },
      { path: 'tones', loadComponent: part(() => import('../features/meter').then((room) => room.TonesPage)) },
      { path: 'bench', loadComponent: part(() => import('../features/meter').then((room) => room.BenchPage)) },
      { path: 'night', loadComponent: part(() => import('../features/meter').then((room) => room.NightPage)) },
      { path: 'film', loadComponent: part(() => import('../features/meter').then((room) => room.FilmPage)) },
      { path: 'flash', loadComponent: part(() => import('../features/meter').then((room) => room.FlashPage)) },
    ],
  },
  {
    path: 'log',
    title: 'Log · Roam Dial',
    loadComponent: part(() => import('../features/log').then((room) => room.LogView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'frames' },
      { path: 'frames', loadComponent: part(() => import('../features/log').then((room) => room.FramesPage)) },
      { path: 'against', loadComponent: part(() => import('../features/log').then((room) => room.AgainstPage)) },
      { path: 'lessons', loadComponent: part(() => import('../features/log').then((room) => room.LessonsPage)) },
      { path: 'again', loadComponent: part(() => import('../features/log').then((room) => room.AgainPage)) },
      { path: 'noise', loadComponent: part(() => import('../features/log').then((room) => room.NoisePage)) },
    ],
  },
  {
    path: 'start',
    title: 'Start a walk · Roam Dial',
    loadComponent: part(() => import('../features/start').then((room) => room.StartPage)),
  },
  { path: 'kit', title: 'Kit · Roam Dial', loadComponent: part(() => import('../features/kit').then((room) => room.KitView)) },
  {
    path: 'card',
    title: 'Card · Roam Dial',
    loadComponent: part(() => import('../features/card').then((room) => room.CardInHand)),
  },
  { path: '**', redirectTo: 'walk' },
];
