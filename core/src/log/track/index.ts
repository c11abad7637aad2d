export { placeAt, positionsBy, trackOf, type TrackPoint, walkedOf } from './track.js';
