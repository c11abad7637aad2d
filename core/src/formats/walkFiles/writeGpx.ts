import { walkClock, type Place } from '../../light/index.js';
import { type FiledStop, type FiledWalk, stopLines } from './filedWalk.js';
import type { Walk } from '../../walk/index.js';
import { xmlText } from './xml.js';

const degrees = (angle: number): string => angle.toFixed(7);
const at = ({ latitude, longitude }: Place): string => `lat="${degrees(latitude)}" lon="${degrees(longitude)}"`;

function element(name: string, text: string): string {
  return text === '' ? '' : `<${name}>${xmlText(text)}</${name}>`;
}

/** A place with what is said of it, in the order that the schema wants: time, name, desc, type. */
function point(tag: 'wpt' | 'rtept', place: Place, filed: FiledStop, walk: Walk): string {
  const { stop, intent } = filed;
  const clock = walkClock(walk.day, walk.place.timeZone);
  const said = [
    element('time', clock === null ? '' : new Date(clock.msAt(stop.arriveMin)).toISOString()),
    element('name', stop.name),
    element('desc', stopLines(filed, walk).join('\n')),
    element('type', intent),
  ];
  return `<${tag} ${at(place)}>${said.join('')}</${tag}>`;
}

/**
 * A walk as GPX 1.1: a waypoint a stop, and one route along the streets with the stops in it by name. Stops that stand nowhere
 * yet are left out. Times are instants, in UTC, as the format has them. Source: the GPX 1.1 schema.
 */
export function writeGpx({ walk, stops }: FiledWalk): string {
  const placed = stops.flatMap((filed) => (filed.stop.position === null ? [] : [{ filed, place: filed.stop.position }]));
  const waypoints = placed.map(({ filed, place }) => point('wpt', place, filed, walk));
  const route = placed.flatMap(({ filed, place }) => {
    // Both ends of a way are stops themselves.
    const between = filed.course.slice(1, -1).map((one) => `<rtept ${at(one)}/>`);
    return [...between, point('rtept', place, filed, walk)];
  });
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<gpx version="1.1" creator="Roam Dial" xmlns="http://www.topografix.com/GPX/1/1">',
    `<metadata>${element('name', walk.name)}${element('desc', walk.notes.trim())}</metadata>`,
    ...waypoints,
    ...(route.length === 0 ? [] : [`<rte>${element('name', walk.name)}`, ...route, '</rte>']),
    '</gpx>',
    '',
  ].join('\n');
}
