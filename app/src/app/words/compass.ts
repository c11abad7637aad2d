const POINTS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW'] as const;

/** The point of the compass nearest to a bearing. */
export function compassPoint(bearingDeg: number): string {
  const folded = ((bearingDeg % 360) + 360) % 360;
  return POINTS[Math.round(folded / 45) % 8] as string;
}
