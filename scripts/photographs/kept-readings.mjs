import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { inProcesses } from './processes.mjs';

/** The readings of frames: those of a file where there is one of that name, else made, and kept in it where it has a name. */
export async function readingsOf(frames, file, what = 'readFrame') {
  if (file !== '' && existsSync(file)) return JSON.parse(readFileSync(file, 'utf8'));
  const readings = await inProcesses(what, frames);
  if (file !== '') writeFileSync(file, JSON.stringify(readings));
  return readings;
}
