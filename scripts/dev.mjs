// npm run dev: core, app and server rebuilt as their sources change, served from the same address as npm start.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { build, checkNode, install, ROOT, say } from './steps.mjs';

checkNode();
install();
build();

const watchers = [
  spawn('npx', ['tsc', '-p', 'core/tsconfig.build.json', '--watch', '--preserveWatchOutput'], { cwd: ROOT, stdio: 'inherit' }),
  spawn('npm', ['run', 'watch', '--workspace', 'app'], { cwd: ROOT, stdio: 'inherit' }),
  spawn('npx', ['tsc', '-p', 'server/tsconfig.build.json', '--watch', '--preserveWatchOutput'], { cwd: ROOT, stdio: 'inherit' }),
  spawn(process.execPath, ['--watch', join(ROOT, 'server/dist/main.js')], { cwd: ROOT, stdio: 'inherit' }),
];
say('Watching. Reload the page after a change.');
const stopAll = () => watchers.forEach((watcher) => watcher.kill());
for (const signal of ['SIGINT', 'SIGTERM']) process.on(signal, stopAll);
watchers.forEach((watcher) => watcher.on('exit', (code) => code !== null && code !== 0 && stopAll()));
