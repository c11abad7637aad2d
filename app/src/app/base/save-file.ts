/** How long a browser may take to begin with a download. */
const BEGINS_WITHIN_MS = 60_000;

/** Hands a file to the browser's downloads. */
export function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), BEGINS_WITHIN_MS);
}

export function saveText(text: string, name: string, type: string): void {
  saveBlob(new Blob([text], { type }), name);
}
