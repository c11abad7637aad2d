import type { Routes } from '@angular/router';
import { inject, type Type } from '@angular/core';
import { fetched } from '../base/fetched';
import { map, type Observable, take } from 'rxjs';
import { OutingStore } from '../state/outing/outing.store';
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
  {
    path: 'now',
    title: 'Now · Roam Dial',
    loadComponent: part(() => import('../rooms/now/now-view').then((room) => room.NowView)),
  },
  {
    path: 'walk',
    title: 'Walk · Roam Dial',
    loadComponent: part(() => import('../rooms/walk/walk-view').then((room) => room.WalkView)),
  },
  {
    path: 'walk/plan',
    title: 'Walk · Roam Dial',
    data: { face: 'plan' },
    loadComponent: part(() => import('../rooms/walk/walk-view').then((room) => room.WalkView)),
  },
  {
    path: 'walk/before',
    title: 'Before setting off · Roam Dial',
    loadComponent: part(() => import('../rooms/setting-off/before-setting-off').then((room) => room.BeforeSettingOff)),
  },
  {
    path: 'walk/returns',
    title: 'Returns · Roam Dial',
    loadComponent: part(() => import('../rooms/returns/returns-page').then((room) => room.ReturnsPage)),
  },
  {
    path: 'light',
    title: 'Light · Roam Dial',
    loadComponent: part(() => import('../rooms/light/light-view').then((room) => room.LightView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'now' },
      { path: 'now', loadComponent: part(() => import('../rooms/light/now/now-page').then((room) => room.NowPage)) },
      { path: 'year', loadComponent: part(() => import('../rooms/light/year/year-page').then((room) => room.YearPage)) },
      { path: 'sky', loadComponent: part(() => import('../rooms/light/sky/sky-page').then((room) => room.SkyPage)) },
      {
        path: 'district',
        loadComponent: part(() => import('../rooms/light/district/district-page').then((room) => room.DistrictPage)),
      },
    ],
  },
  {
    path: 'setup',
    title: 'Set-up · Roam Dial',
    loadComponent: part(() => import('../rooms/set-up/set-up-view').then((room) => room.SetUpView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'holds' },
      {
        path: 'light',
        loadComponent: part(() => import('../rooms/set-up/as-light-goes/as-light-goes-page').then((room) => room.AsLightGoesPage)),
      },
      {
        path: 'stand',
        loadComponent: part(() => import('../rooms/set-up/where-to-stand/stand-page').then((room) => room.StandPage)),
      },
      {
        path: 'hands',
        loadComponent: part(() => import('../rooms/set-up/hands-and-lens/hands-page').then((room) => room.HandsPage)),
      },
      { path: 'holds', loadComponent: part(() => import('../rooms/set-up/what-holds/holds-page').then((room) => room.HoldsPage)) },
    ],
  },
  {
    path: 'meter',
    title: 'Meter · Roam Dial',
    loadComponent: part(() => import('../rooms/meter/meter-view').then((room) => room.MeterView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'tones' },
      { path: 'tones', loadComponent: part(() => import('../rooms/meter/tones/tones-page').then((room) => room.TonesPage)) },
      { path: 'bench', loadComponent: part(() => import('../rooms/meter/bench/bench-page').then((room) => room.BenchPage)) },
      { path: 'night', loadComponent: part(() => import('../rooms/meter/night/night-page').then((room) => room.NightPage)) },
      { path: 'film', loadComponent: part(() => import('../rooms/meter/film/film-page').then((room) => room.FilmPage)) },
      { path: 'flash', loadComponent: part(() => import('../rooms/meter/flash/flash-page').then((room) => room.FlashPage)) },
    ],
  },
  {
    path: 'log',
    title: 'Log · Roam Dial',
    loadComponent: part(() => import('../rooms/log/log-view').then((room) => room.LogView)),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'frames' },
      { path: 'frames', loadComponent: part(() => import('../rooms/log/frames/frames-page').then((room) => room.FramesPage)) },
      { path: 'against', loadComponent: part(() => import('../rooms/log/against/against-page').then((room) => room.AgainstPage)) },
      { path: 'lessons', loadComponent: part(() => import('../rooms/log/lessons/lessons-page').then((room) => room.LessonsPage)) },
      { path: 'again', loadComponent: part(() => import('../rooms/log/again/again-page').then((room) => room.AgainPage)) },
      { path: 'noise', loadComponent: part(() => import('../rooms/log/noise/noise-page').then((room) => room.NoisePage)) },
    ],
  },
  {
    path: 'start',
    title: 'Start a walk · Roam Dial',
    loadComponent: part(() => import('../rooms/start/start-page').then((room) => room.StartPage)),
  },
  {
    path: 'kit',
    title: 'Kit · Roam Dial',
    loadComponent: part(() => import('../rooms/kit/kit-view').then((room) => room.KitView)),
  },
  {
    path: 'card',
    title: 'Card · Roam Dial',
    loadComponent: part(() => import('../rooms/card/card-in-hand').then((room) => room.CardInHand)),
  },
  { path: '**', redirectTo: 'walk' },
];
