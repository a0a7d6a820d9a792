/** Puts a mark before the title of the page, where nobody looks at it, until somebody does. */
export function markTitle(mark: string): void {
  if (!document.hidden) return;
  const { title } = document;
  document.title = `${mark} ${title}`;
  const seen = (): void => {
    if (document.hidden) return;
    document.title = title;
    document.removeEventListener('visibilitychange', seen);
  };
  document.addEventListener('visibilitychange', seen);
}
