/** Cloud by the hour of town time, 0 clear to 1 overcast; 24 figures, straight lines between the full hours. */
export type CloudByHour = readonly number[];

/** Cloud at a minute of the day, from one figure or from 24 hourly ones; the last hour's holds to midnight. */
export function cloudAt(cloud: number | CloudByHour, minuteOfDay: number): number {
  if (typeof cloud === 'number') return cloud;
  const hour = Math.min(23, Math.floor(minuteOfDay / 60));
  const share = minuteOfDay / 60 - hour;
  const here = cloud[hour] ?? 0;
  return (1 - share) * here + share * (cloud[hour + 1] ?? here);
}
