/** Asks for one file; `take` gets it. */
export function chooseFile(accept: string, take: (file: File) => unknown): void {
  const input = document.createElement('input');
  input.type = 'file';
  input.accept = accept;
  input.onchange = () => {
    const [file] = input.files ?? [];
    if (file) take(file);
  };
  input.click();
}
