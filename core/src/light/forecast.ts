/** Cloud by the hour of town time, 0 clear to 1 overcast, straight lines between the full hours; 24 figures, or 36 to noon of the next day. */
export type CloudByHour = readonly number[];

/** Cloud at a minute of the walk, 0..2159, from one figure or from hourly ones; the last hour's holds on. */
export function cloudAt(cloud: number | CloudByHour, minute: number): number {
  if (typeof cloud === 'number') return cloud;
  const hour = Math.min(cloud.length - 1, Math.floor(minute / 60));
  const share = Math.min(1, minute / 60 - hour);
  const here = cloud[hour] ?? 0;
  return (1 - share) * here + share * (cloud[hour + 1] ?? here);
}
