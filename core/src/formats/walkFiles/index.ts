/** A walk in open formats: an entry of its own, because its writers are only needed when a file is asked for. */
export { type FiledSetUp, type FiledStop, type FiledWalk, setUpLine, stopLines } from './filedWalk.js';
export { type Gpx, type GpxPoint, readGpx, type ReadGpx } from './readGpx.js';
export { writeCalendar } from './writeCalendar.js';
export { writeCsv } from './writeCsv.js';
export { writeGeoJson } from './writeGeoJson.js';
export { writeGpx } from './writeGpx.js';
