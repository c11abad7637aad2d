/** Radians in a degree: degrees are what functions speak to each other, radians stay inside one. */
export const RAD_PER_DEG = Math.PI / 180;
export const DEG_PER_RAD = 180 / Math.PI;

/** The turn from one bearing to another the short way, −180 <= d < 180; + is clockwise. */
export function turnDeg(fromDeg: number, toDeg: number): number {
  return ((((toDeg - fromDeg + 180) % 360) + 360) % 360) - 180;
}
