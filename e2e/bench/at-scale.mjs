// The demo's archive grown to the size of somebody's years.

const MINUTE_MS = 60_000;

/** So many stops along a day from six, each the demo's in turn, a little apart from the last of its kind. */
function stopsOf(walk, count) {
  return Array.from({ length: count }, (_, k) => {
    const stop = walk.stops[k % walk.stops.length];
    const arriveMin = 360 + k * 3;
    return { ...stop, id: `scale-stop-${k}`, name: `${stop.name} ${k}`, arriveMin, leaveMin: arriveMin + 2, hours: null };
  });
}

/** A log's stays by those stops, and frames evenly over them. */
function logOf(demo, walk, stops, count) {
  const [log] = demo.logs;
  if (stops.length === 0) return { log, frames: framesIn(demo, log, log.stays, count) };
  const midnightMs = Math.floor(log.stays[0].fromMs / (1440 * MINUTE_MS)) * 1440 * MINUTE_MS;
  const stays = stops.map((stop, k) => ({
    ...log.stays[k % log.stays.length],
    stopId: stop.id,
    name: stop.name,
    intent: stop.intent,
    fromMs: midnightMs + stop.arriveMin * MINUTE_MS,
    toMs: midnightMs + stop.leaveMin * MINUTE_MS,
  }));
  return { log: { ...log, stays }, frames: framesIn(demo, log, stays, count) };
}

function framesIn(demo, log, stays, count) {
  const shiftMs = demo.frames[0].wallMs - log.stays[0].fromMs;
  const perStay = Math.ceil(count / stays.length);
  return Array.from({ length: count }, (_, k) => {
    const { fromMs, toMs } = stays[Math.floor(k / perStay)];
    const wallMs = Math.round(fromMs + ((toMs - fromMs) * ((k % perStay) + 0.5)) / perStay + (shiftMs % MINUTE_MS));
    const frame = demo.frames[k % demo.frames.length];
    return { ...frame, id: `scale-frame-${k}`, source: { ...frame.source, name: `S${k}.JPG` }, wallMs };
  });
}

/** The archive of so many walks, the first of them with so many stops (none: as it is), frames in its log, and returns. */
export function atScale(demo, { stops: stopCount, frames: frameCount, returns: returnCount, walks: walkCount }) {
  const [first] = demo.walks;
  const stops = stopsOf(first, stopCount);
  const walk = stopCount === 0 ? first : { ...first, stops };
  const others = Array.from({ length: walkCount - 1 }, (_, k) => ({ ...first, id: `scale-walk-${k}`, name: `${first.name} ${k}` }));
  const { log, frames } = logOf(demo, walk, stops, frameCount);
  const returns = Array.from({ length: returnCount }, (_, k) => {
    const stop = first.stops[k % first.stops.length];
    return {
      id: `scale-return-${k}`,
      stop: { ...stop, id: `scale-of-${k}`, name: `${stop.name} ${k}` },
      place: first.place,
      districtId: first.districtId ?? null,
      day: first.day,
      lightMin: 600 + (k % 300),
      crowd: 'any',
      wrong: '',
      notedMs: 1.8e12 + k,
    };
  });
  return { ...demo, walks: [walk, ...others], logs: [log], frames, returns };
}
