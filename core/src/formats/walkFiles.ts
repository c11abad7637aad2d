/** A walk in open formats: an entry of its own, because its writers are only needed when a file is asked for. */
export { type FiledSetUp, type FiledStop, type FiledWalk, setUpLine, stopLines } from './walkFiles/filedWalk.js';
export { type Gpx, type GpxPoint, readGpx, type ReadGpx } from './walkFiles/readGpx.js';
export { writeCalendar } from './walkFiles/writeCalendar.js';
export { writeCsv } from './walkFiles/writeCsv.js';
export { writeGeoJson } from './walkFiles/writeGeoJson.js';
export { writeGpx } from './walkFiles/writeGpx.js';
