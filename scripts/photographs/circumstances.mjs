/** The sensor of the frames' camera: a full frame's. */
const SENSOR_DIAGONAL_MM = Math.hypot(36, 24);

/** What the file of a frame says that was set, as the program has it. */
export const settingsOf = ({ settings: { shutterS, iso, fNumber, focalMm } = {} }) => ({
  shutterS,
  iso,
  fNumber,
  focalLengthMm: focalMm,
});

/** What its card and its kit say of a frame. */
export const meantOf = ({ depth = 'free', settings }) => ({
  depth,
  focusM: settings?.distanceM ?? null,
  sensorDiagonalMm: settings === undefined ? null : SENSOR_DIAGONAL_MM,
});
