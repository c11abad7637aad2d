export { HandsPage } from './hands-page';
export { HoldsPage } from './holds-page';
export { AsLightGoesPage } from './as-light-goes-page';
export { StandPage } from './stand-page';
export { SetUpView } from './set-up-view';
