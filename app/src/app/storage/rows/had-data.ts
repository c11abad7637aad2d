const KEY = 'roam-dial-has-own-data';

/** Whether somebody has ever entered something in this browser: told beside the database, for when that does not open. */
export function hasHadData(): boolean {
  try {
    return localStorage.getItem(KEY) !== null;
  } catch {
    return false;
  }
}

export function rememberHavingData(): void {
  try {
    localStorage.setItem(KEY, 'yes');
  } catch {
    // A browser that keeps nothing has no data to be told of either.
  }
}
