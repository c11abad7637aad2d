import type { Routes } from '@angular/router';
import { isPhone } from './phone';

/** Rooms; what is not built yet is not here. In the hand the card comes first, at the table the walk. */
export const routes: Routes = [
  { path: '', pathMatch: 'full', redirectTo: () => (isPhone() ? 'card' : 'walk') },
  { path: 'walk', title: 'Walk · Roam Dial', loadComponent: () => import('../features/walk').then((room) => room.WalkRoom) },
  { path: 'kit', title: 'Kit · Roam Dial', loadComponent: () => import('../features/kit').then((room) => room.KitRoom) },
  { path: 'card', title: 'Card · Roam Dial', loadComponent: () => import('../features/card').then((room) => room.CardRoom) },
  { path: '**', redirectTo: 'walk' },
];
