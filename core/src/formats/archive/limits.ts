/** More than the old town of a capital has. */
export const MOST_BUILDINGS = 50_000;
/** Streets, lanes and steps of a capital's old town. */
export const MOST_WAYS = 50_000;
/** Of one outline or street; more are no building. */
export const MOST_CORNERS = 20_000;
export const MOST_COURTYARDS = 1000;
/** Of all outlines of all districts together: what an archive can be written with and read again. */
export const MOST_CORNERS_IN_ALL = 5_000_000;
/** From the origin: farther away the flat metres round it are no map any more. */
export const FARTHEST_M = 1_000_000;
/** Beyond it degrees of longitude have no length to speak of. */
export const NEAREST_POLE_DEG = 89;
export const LONGEST_NAME = 200;
export const LONGEST_ID = 100;
export const MOST_STOPS = 2000;
/** Of one stop: more are no metering any more. */
export const MOST_READINGS = 60;
/** Of a way really walked, after thinning. */
export const MOST_TRACK_POINTS = 5000;
