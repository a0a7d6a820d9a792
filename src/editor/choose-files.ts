/** Asks for files of some kinds; `take` gets those that are chosen, which is at least one. */
export function chooseFiles(
  accept: string,
  take: (files: readonly File[]) => unknown,
  { several = false } = {},
): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.multiple = several;
  input.onchange = () => {
    const files = [...(input.files ?? [])];
    if (files.length > 0) take(files);
  };
  input.click();
}
