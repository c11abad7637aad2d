import type { Routes } from '@angular/router';
import { inject } from '@angular/core';
import { map, type Observable, take } from 'rxjs';
import { OutingStore } from '../state/outing.store';
import { isPhone } from './phone';

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
  { path: 'now', title: 'Now · Roam Dial', loadComponent: () => import('../features/now').then((room) => room.NowView) },
  { path: 'walk', title: 'Walk · Roam Dial', loadComponent: () => import('../features/walk').then((room) => room.WalkView) },
  {
    path: 'walk/plan',
    title: 'Walk · Roam Dial',
    data: { face: 'plan' },
    loadComponent: () => import('../features/walk').then((room) => room.WalkView),
  },
  {
    path: 'walk/before',
    title: 'Before setting off · Roam Dial',
    loadComponent: () => import('../features/setting-off').then((room) => room.BeforeSettingOff),
  },
  {
    path: 'walk/returns',
    title: 'Returns · Roam Dial',
    loadComponent: () => import('../features/returns').then((room) => room.ReturnsPage),
  },
  {
    path: 'light',
    title: 'Light · Roam Dial',
    loadComponent: () => import('../features/light').then((room) => room.LightView),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'now' },
      { path: 'now', loadComponent: () => import('../features/light').then((room) => room.NowPage) },
      { path: 'year', loadComponent: () => import('../features/light').then((room) => room.YearPage) },
      { path: 'sky', loadComponent: () => import('../features/light').then((room) => room.SkyPage) },
      { path: 'district', loadComponent: () => import('../features/light').then((room) => room.DistrictPage) },
    ],
  },
  {
    path: 'setup',
    title: 'Set-up · Roam Dial',
    loadComponent: () => import('../features/set-up').then((room) => room.SetUpView),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'holds' },
      { path: 'light', loadComponent: () => import('../features/set-up').then((room) => room.AsLightGoesPage) },
      { path: 'stand', loadComponent: () => import('../features/set-up').then((room) => room.StandPage) },
      { path: 'hands', loadComponent: () => import('../features/set-up').then((room) => room.HandsPage) },
      { path: 'holds', loadComponent: () => import('../features/set-up').then((room) => room.HoldsPage) },
    ],
  },
  {
    path: 'meter',
    title: 'Meter · Roam Dial',
    loadComponent: () => import('../features/meter').then((room) => room.MeterView),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'tones' },
      { path: 'tones', loadComponent: () => import('../features/meter').then((room) => room.TonesPage) },
      { path: 'bench', loadComponent: () => import('../features/meter').then((room) => room.BenchPage) },
      { path: 'night', loadComponent: () => import('../features/meter').then((room) => room.NightPage) },
      { path: 'film', loadComponent: () => import('../features/meter').then((room) => room.FilmPage) },
      { path: 'flash', loadComponent: () => import('../features/meter').then((room) => room.FlashPage) },
    ],
  },
  {
    path: 'log',
    title: 'Log · Roam Dial',
    loadComponent: () => import('../features/log').then((room) => room.LogView),
    children: [
      { path: '', pathMatch: 'full', redirectTo: 'frames' },
      { path: 'frames', loadComponent: () => import('../features/log').then((room) => room.FramesPage) },
      { path: 'against', loadComponent: () => import('../features/log').then((room) => room.AgainstPage) },
      { path: 'lessons', loadComponent: () => import('../features/log').then((room) => room.LessonsPage) },
      { path: 'again', loadComponent: () => import('../features/log').then((room) => room.AgainPage) },
      { path: 'noise', loadComponent: () => import('../features/log').then((room) => room.NoisePage) },
    ],
  },
  {
    path: 'start',
    title: 'Start a walk · Roam Dial',
    loadComponent: () => import('../features/start').then((room) => room.StartPage),
  },
  { path: 'kit', title: 'Kit · Roam Dial', loadComponent: () => import('../features/kit').then((room) => room.KitView) },
  { path: 'card', title: 'Card · Roam Dial', loadComponent: () => import('../features/card').then((room) => room.CardInHand) },
  { path: '**', redirectTo: 'walk' },
];
