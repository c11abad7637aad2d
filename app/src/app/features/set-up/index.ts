export { HandsPage } from './hands-page';
export { HoldsPage } from './holds-page';
export { LightPage } from './light-page';
export { StandPage } from './stand-page';
export { SetUpRoom } from './set-up-room';
