export {
  GOOD_FILTERS,
  type GoodFilter,
  isWanted,
  type PlaceFilter,
  placesWorked,
  type PlaceWorked,
  type WorkedWith,
} from './placesWorked.js';
