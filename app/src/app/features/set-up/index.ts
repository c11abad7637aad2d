export { HoldsPage } from './holds-page';
export { LightPage } from './light-page';
export { SetUpRoom } from './set-up-room';
