export { MapFile } from './map-file';
export { WalkMap } from './walk-map';
