export { MapFile } from './map-file';
