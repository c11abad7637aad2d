export { WalkRoom } from './walk-room';
