const DEFAULT_PORT = 4310;

/** The port to serve on: 4310 where none is named, null where what is named is no port. */
export function readPort(text: string | undefined): number | null {
  if (text === undefined || text.trim() === '') return DEFAULT_PORT;
  const port = Number(text);
  return Number.isInteger(port) && port >= 0 && port <= 65_535 ? port : null;
}
