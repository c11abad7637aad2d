/** Radians in a degree: degrees are what functions speak to each other, radians stay inside one. */
export const RAD_PER_DEG = Math.PI / 180;
export const DEG_PER_RAD = 180 / Math.PI;
