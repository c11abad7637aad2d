import { parentPort } from 'node:worker_threads';
import sharp from 'sharp';
import { makeFrame } from './frames.mjs';
import { readFrame, readMadeUp } from './reading.mjs';

// The threads are as many as there are cores.
sharp.concurrency(1);
const DOES = { makeFrame, readFrame, readMadeUp };

parentPort.on('message', async ({ what, k, item }) => {
  const answer = await DOES[what](item).catch((error) => {
    throw new Error(`${item.name}, ${item.fault}: ${error.message}`);
  });
  parentPort.postMessage({ k, answer });
});
