import type { ArchivedReading } from '@roam-dial/core/formats/reading';
import type { PackedReading } from '@roam-dial/core/log';

/** What was measured in a picture as text of an archive, its bytes as base64, and back. */

export function textOf(bytes: Uint8Array): string {
  let binary = '';
  for (let at = 0; at < bytes.length; at += 8192) binary += String.fromCharCode(...bytes.subarray(at, at + 8192));
  return btoa(binary);
}

export const bytesOf = (text: string): Uint8Array<ArrayBuffer> => Uint8Array.from(atob(text), (one) => one.charCodeAt(0));

export function archivedReading({ windows, full, traces, ...rest }: PackedReading): ArchivedReading {
  const own = { ...rest, windows: textOf(windows) };
  const reading = traces === undefined ? own : { ...own, traces: traces && { ...traces, parts: textOf(traces.parts) } };
  return full === undefined ? reading : { ...reading, full: { ...full, parts: textOf(full.parts) } };
}

export function packedAgain({ windows, full, traces, ...rest }: ArchivedReading): PackedReading {
  const own = { ...rest, windows: bytesOf(windows) };
  const reading = traces === undefined ? own : { ...own, traces: traces && { ...traces, parts: bytesOf(traces.parts) } };
  return full === undefined ? reading : { ...reading, full: { ...full, parts: bytesOf(full.parts) } };
}
