// Lays a brotli and a gzip copy beside every text file of the app's build, once, so that serving costs nothing.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { ROOT } from './steps.mjs';

const TEXT = /\.(?:js|css|html|json|svg|webmanifest)$/;
const folder = join(ROOT, 'app/dist/browser');

export function compress() {
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (!entry.isFile() || !TEXT.test(entry.name)) continue;
    const path = join(entry.parentPath, entry.name);
    const contents = readFileSync(path);
    writeFileSync(`${path}.br`, brotliCompressSync(contents));
    writeFileSync(`${path}.gz`, gzipSync(contents, { level: 9 }));
  }
}
