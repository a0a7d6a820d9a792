/** What this browser remembers of a person's choices. Where storage is blocked it remembers nothing, and all else works. */
export function recall(key: string): string | null {
  try {
    return localStorage.getItem(key);
  } catch {
    return null;
  }
}

export function remember(key: string, value: string): void {
  try {
    localStorage.setItem(key, value);
  } catch {
    // The choice holds until the page is left.
  }
}
