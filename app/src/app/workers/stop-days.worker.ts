import { stopDay } from '@roam-dial/core';
import type { StopDayAnswer, StopDayQuestion } from './stop-days.protocol';

/** A shell round the core's `stopDay`: plain data in, buffers handed over, failures sent as data. */
addEventListener('message', ({ data }: MessageEvent<StopDayQuestion>) => {
  try {
    const day = stopDay(data.input);
    const answer: StopDayAnswer = { id: data.id, ok: true, day };
    const buffers = day === null ? [] : [day.keyEv100.buffer, day.isLit.buffer, day.sunAltitudeDeg.buffer];
    postMessage(answer, { transfer: buffers });
  } catch (error) {
    const answer: StopDayAnswer = { id: data.id, ok: false, message: error instanceof Error ? error.message : String(error) };
    postMessage(answer);
  }
});
