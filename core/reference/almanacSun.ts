/**
 * The sun by the almanac's short series, written apart from the program and used only to test it: J. Meeus, Astronomical
 * Algorithms, 2nd ed., chapters 12, 13, 22, 25 and 40 (geometric longitude within 0.01°). Altitude without refraction.
 */
const RAD = Math.PI / 180;
const sin = (deg: number): number => Math.sin(deg * RAD);
const cos = (deg: number): number => Math.cos(deg * RAD);

/** TT − UT of these decades, seconds. */
const DELTA_T_S = 70;

export function almanacSun(time: Date, latitude: number, longitude: number): { azimuthDeg: number; altitudeDeg: number } {
  const julianDay = time.getTime() / 86_400_000 + 2_440_587.5;
  const t = (julianDay + DELTA_T_S / 86_400 - 2_451_545) / 36_525;
  const meanLongitude = 280.46646 + 36_000.76983 * t + 0.0003032 * t * t;
  const anomaly = 357.52911 + 35_999.05029 * t - 0.0001537 * t * t;
  const centre =
    (1.914602 - 0.004817 * t - 0.000014 * t * t) * sin(anomaly) +
    (0.019993 - 0.000101 * t) * sin(2 * anomaly) +
    0.000289 * sin(3 * anomaly);
  const node = 125.04 - 1934.136 * t;
  const nutation = -0.00478 * sin(node);
  const apparent = meanLongitude + centre - 0.00569 + nutation;
  const obliquity = 23.439291 - 0.0130042 * t + 0.00256 * cos(node);
  const rightAscension = Math.atan2(cos(obliquity) * sin(apparent), cos(apparent)) / RAD;
  const declination = Math.asin(sin(obliquity) * sin(apparent)) / RAD;
  const sidereal = 280.46061837 + 360.98564736629 * (julianDay - 2_451_545) + nutation * cos(obliquity);
  const hourAngle = sidereal + longitude - rightAscension;
  const altitude = Math.asin(sin(latitude) * sin(declination) + cos(latitude) * cos(declination) * cos(hourAngle)) / RAD;
  const azimuth = Math.atan2(
    sin(hourAngle),
    cos(hourAngle) * sin(latitude) - (sin(declination) / cos(declination)) * cos(latitude),
  );
  return { azimuthDeg: (((azimuth / RAD + 180) % 360) + 360) % 360, altitudeDeg: altitude - 0.00244 * cos(altitude) };
}
