export { HandsPage } from './hands-and-lens/hands-page';
export { HoldsPage } from './what-holds/holds-page';
export { AsLightGoesPage } from './as-light-goes/as-light-goes-page';
export { StandPage } from './where-to-stand/stand-page';
export { SetUpView } from './set-up-view';
