import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FAULTS, faulty, randomOf } from './faults.mjs';
import { CACHE, photographsOf } from './fetch.mjs';
import { asJpeg, opened } from './linear.mjs';
import { inProcesses } from './processes.mjs';

/**
 * Sizes, megapixels, as often as they stand here; a photograph that is smaller stays as it is. Making a fault takes its time with
 * the size: of the largest, only frames as they were published.
 */
const MEGAPIXELS = [1, 1, 1, 1, 1, 1.5, 1.5, 1.5, 2, 2, 4];
const UNTOUCHED_MEGAPIXELS = [2, 6, 12, 24];
const QUALITIES = [80, 85, 88, 90, 92, 95];
/** A prime, so that no two frames have the same seed. */
const APART = 7919;

/** What is to be made of a half: in each round a frame of each fault of every photograph, with a seed of its own; untouched there is one. */
function planned(half, rounds) {
  const faultsIn = (round) => FAULTS.filter((fault) => fault !== 'untouched' || round === 0);
  return photographsOf(half).flatMap((photograph, n) =>
    Array.from({ length: rounds }, (_, round) =>
      faultsIn(round).map((fault, k) => ({ ...photograph, fault, seed: APART * (100 * (n + 1000 * round) + k) + 1 })),
    ).flat(),
  );
}

/** A frame as it is planned, written into a folder: what is true of it. */
export async function makeFrame({ name, path, kind, fault, seed, file }) {
  const random = randomOf(seed);
  const sizes = fault === 'untouched' ? UNTOUCHED_MEGAPIXELS : MEGAPIXELS;
  const megapixels = sizes[Math.floor(random() * sizes.length)];
  const photograph = await opened(path, megapixels * 1e6);
  const { picture, truth } = faulty(photograph, fault, random);
  const quality = QUALITIES[Math.floor(random() * QUALITIES.length)];
  writeFileSync(file, await asJpeg(picture, quality, truth.settings));
  return { name, kind, width: picture.width, height: picture.height, ...truth };
}

/** The frames of a half with what is true of them, made once and kept. */
export async function framesOf(half, rounds) {
  const folder = join(CACHE, 'frames', `${half}-${rounds}`);
  const truths = join(folder, 'truth.json');
  if (!existsSync(truths)) {
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const plan = planned(half, rounds).map((one, k) => ({ ...one, file: join(folder, `${String(k).padStart(5, '0')}.jpg`) }));
    const made = await inProcesses('makeFrame', plan);
    writeFileSync(`${truths}.part`, JSON.stringify(made.map((truth, k) => ({ ...truth, file: plan[k].file }))));
    renameSync(`${truths}.part`, truths);
  }
  return JSON.parse(readFileSync(truths, 'utf8'));
}
