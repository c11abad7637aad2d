import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { readArchive } from '@roam-dial/core/formats/reading';
import { lightInputFor, siteOf } from '@roam-dial/core/plan';
import { type Metering, type StopDay, stopDay } from '@roam-dial/core/stop';
import { cloudOf, type Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../app/storage/workspace';

/** The shipped demo as a browser has it on its day. */
export function demoWorkspace(): Workspace {
  const read = readArchive(readFileSync(join(__dirname, '../../public/demo.json'), 'utf8'));
  if (!read.ok) throw new Error([read.message, ...read.problems].join('; '));
  return { ...read.archive, walks: read.archive.walks.map((walk) => ({ ...walk, day: '2027-03-13' })) };
}

const days = new Map<string, StopDay>();

/** The measured day of a stop of the first walk, as the worker gives it. */
export function demoDay(workspace: Workspace, stopId: string): StopDay | null {
  const walk = workspace.walks[0];
  const stop = walk?.stops.find(({ id }) => id === stopId);
  if (walk === undefined || stop === undefined) return null;
  const input = { ...lightInputFor(workspace, walk, stop), day: walk.day, cloud: cloudOf(walk) };
  const { position, section, groundM, streetWidthM, pavement } = stop;
  const key = JSON.stringify([input, position, walk.districtId, section, groundM, streetWidthM, pavement]);
  const known = days.get(key);
  if (known !== undefined) return known;
  const found = siteOf(workspace, walk, stop);
  const day = stopDay({ ...input, streets: found.kind === 'none' ? null : found.site });
  if (day !== null) days.set(key, day);
  return day;
}

/** A day without walls, every figure of which a test may replace. */
export function plainDay(over: Partial<StopDay> = {}): StopDay {
  const workspace = demoWorkspace();
  const walk = { ...(workspace.walks[0] as Walk), districtId: null };
  const stop = walk.stops[0] as Walk['stops'][number];
  const day = stopDay({ ...lightInputFor(workspace, walk, stop), day: walk.day, cloud: 0 }) as StopDay;
  return { ...day, ...over };
}

/** A white wall read with a spot, wanted two stops over mid-grey. */
export const WALL_READ: Metering = {
  readings: [
    { id: 'wall', name: 'the wall', kind: 'spot', ev100: 16, tone: 2, takenMs: 0, isLetGo: false, isLamp: false, isKey: true },
  ],
  school: 'hold',
  on: 'raw',
};
