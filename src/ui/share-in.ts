/** Where a pointer is within an element, as shares of its width and height from its upper left corner. */
export function shareIn(
  element: Element,
  { clientX, clientY }: { readonly clientX: number; readonly clientY: number },
): { readonly x: number; readonly y: number } {
  const box = element.getBoundingClientRect();
  return { x: (clientX - box.left) / box.width, y: (clientY - box.top) / box.height };
}
