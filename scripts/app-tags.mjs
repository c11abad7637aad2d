import { build } from 'esbuild';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';

/** The program's own reader of tags (app/src/app/workers/frame/read-tags.ts), built for this run. */
export async function appTags() {
  const outfile = join(mkdtempSync(join(tmpdir(), 'read-tags-')), 'read-tags.mjs');
  const entry = new URL('../app/src/app/workers/frame/read-tags.ts', import.meta.url).pathname;
  await build({ entryPoints: [entry], bundle: true, format: 'esm', platform: 'node', outfile, logLevel: 'error' });
  return (await import(pathToFileURL(outfile).href)).readTags;
}
