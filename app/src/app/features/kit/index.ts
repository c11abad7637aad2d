export { KitRoom } from './kit-room';
