/** Whether files are dragged, from outside the page. */
const bringsFiles = ({ dataTransfer }: Pick<DragEvent, 'dataTransfer'>): boolean =>
  dataTransfer !== null && [...dataTransfer.types].includes('Files');

/** A file that is dropped where nothing takes it never replaces the page; answers how to stop. */
export function holdDrops(): () => void {
  const hold = (event: DragEvent): void => {
    if (event.defaultPrevented || !bringsFiles(event)) return;
    event.preventDefault();
    event.dataTransfer!.dropEffect = 'none';
  };
  window.addEventListener('dragover', hold);
  window.addEventListener('drop', hold);
  return () => {
    window.removeEventListener('dragover', hold);
    window.removeEventListener('drop', hold);
  };
}

/** Takes files that are dropped anywhere on the page; answers how to stop. */
export function onFilesDropped(take: (files: readonly File[], at: Element | null) => void): () => void {
  const over = (event: DragEvent): void => {
    if (!bringsFiles(event)) return;
    event.preventDefault();
    event.dataTransfer!.dropEffect = 'copy';
  };
  const drop = (event: DragEvent): void => {
    if (!bringsFiles(event)) return;
    event.preventDefault();
    take([...event.dataTransfer!.files], event.target instanceof Element ? event.target : null);
  };
  window.addEventListener('dragover', over, true);
  window.addEventListener('drop', drop, true);
  return () => {
    window.removeEventListener('dragover', over, true);
    window.removeEventListener('drop', drop, true);
  };
}
