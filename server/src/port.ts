const DEFAULT_PORT = 4310;

/** Loopback unless told otherwise, and told nothing is not otherwise: what is on this machine stays on it. */
export function readHost(text: string | undefined): string {
  return text === undefined || text.trim() === '' ? '127.0.0.1' : text.trim();
}

/** The port to serve on: 4310 where none is named, null where what is named is no port. */
export function readPort(text: string | undefined): number | null {
  if (text === undefined || text.trim() === '') return DEFAULT_PORT;
  const digits = /^\d{1,5}$/.exec(text.trim());
  return digits !== null && Number(digits[0]) <= 65_535 ? Number(digits[0]) : null;
}
