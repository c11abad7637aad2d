import { existsSync, mkdirSync, readFileSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FAULTS, faulty, randomOf, settingsFor } from './faults.mjs';
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
function planned(half) {
  const isMade = (fault, round, depth) => (fault !== 'untouched' || round === 0) && (fault !== 'depth' || depth !== 'isolating');
  return photographsOf(half).flatMap((photograph, n) =>
    Array.from({ length: photograph.rounds }, (_, round) =>
      FAULTS.map((fault, k) => ({ ...photograph, fault, seed: APART * (100 * (n + 1000 * round) + k) + 1 })).filter(({ fault }) =>
        isMade(fault, round, photograph.depth),
      ),
    ).flat(),
  );
}

/** A frame as it is planned, written into a folder: what is true of it. */
export async function makeFrame({ name, path, kind, depth, fault, seed, file }) {
  const random = randomOf(seed);
  const sizes = fault === 'untouched' ? UNTOUCHED_MEGAPIXELS : MEGAPIXELS;
  const megapixels = sizes[Math.floor(random() * sizes.length)];
  const photograph = await opened(path, megapixels * 1e6);
  const { picture, truth } = faulty(photograph, fault, random);
  const quality = QUALITIES[Math.floor(random() * QUALITIES.length)];
  const settings = settingsFor({ ...truth, depth }, randomOf(seed + 1));
  writeFileSync(file, await asJpeg(picture, quality, settings));
  return { name, kind, depth, width: picture.width, height: picture.height, ...truth, settings };
}

/** The frames of one package. */
async function madeOf(half, name, plan) {
  const folder = join(CACHE, 'frames', half, name);
  const truths = join(folder, `truth-${plan.length}.json`);
  if (!existsSync(truths)) {
    rmSync(folder, { recursive: true, force: true });
    mkdirSync(folder, { recursive: true });
    const files = plan.map((one, k) => ({ ...one, file: join(folder, `${String(k).padStart(5, '0')}.jpg`) }));
    const made = await inProcesses('makeFrame', files);
    writeFileSync(`${truths}.part`, JSON.stringify(made.map((truth, k) => ({ ...truth, file: files[k].file }))));
    renameSync(`${truths}.part`, truths);
  }
  return JSON.parse(readFileSync(truths, 'utf8'));
}

/** The frames of a half with what is true of them, made once and kept, package by package. */
export async function framesOf(half) {
  const plan = planned(half);
  const names = [...new Set(plan.map((one) => one.package))];
  const frames = [];
  for (const name of names) {
    const of = plan.filter((one) => one.package === name);
    frames.push(...(await madeOf(half, name, of)));
  }
  return frames;
}
