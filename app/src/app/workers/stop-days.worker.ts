import { type StopDay, stopDay, type StopDayInput } from '@roam-dial/core';
import { serve } from './serve';

serve<StopDayInput, StopDay | null>(stopDay, (day) =>
  day === null ? [] : [day.keyEv100.buffer, day.isLit.buffer, day.sunAltitudeDeg.buffer],
);
