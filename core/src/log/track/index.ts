export { placeOnTrack, positionsBy, trackOf, type TrackPoint, walkedOf } from './track.js';
