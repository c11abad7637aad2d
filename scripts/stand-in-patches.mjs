/**
 * Writes photographs of an even patch by a made-up camera, one at each ISO: JPEG files with EXIF, their noise known. Simulated.
 * After `npm run build:core`:
 *   node scripts/stand-in-patches.mjs OUT [--isos 100,400,1600,6400] [--width 2400] [--height 1600]
 * Prints one line a file: its name, its ISO, its signal to noise pixel by pixel.
 */
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { ratioOfPatch } from '../core/dist/stand-ins/camera/standInPatch.js';
import { standInPatchFile } from '../core/dist/stand-ins/camera/standInFile.js';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    isos: { type: 'string', default: '100,400,1600,6400' },
    width: { type: 'string', default: '2400' },
    height: { type: 'string', default: '1600' },
  },
});
const [out = 'patches'] = positionals;
const CAMERA = { electronsAt100: 6000, readElectrons: 3 };

mkdirSync(out, { recursive: true });
values.isos.split(',').forEach((text, k) => {
  const iso = Number(text);
  const patch = { ...CAMERA, iso, width: Number(values.width), height: Number(values.height), seed: 100 + k };
  const facts = {
    wallMs: Date.UTC(2027, 2, 6, 12, k),
    bodyName: 'Made-up Body One',
    lensName: 'Made-up 28',
    position: null,
    bearingDeg: null,
    compensationEv: 0,
    iso,
    shutterS: 1 / 125,
  };
  const name = `P${iso}.JPG`;
  writeFileSync(join(out, name), standInPatchFile(patch, facts));
  console.log(`${name} ISO ${iso} ${ratioOfPatch(patch).toFixed(1)} to 1`);
});
