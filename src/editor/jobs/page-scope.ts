/** The page of the piece that is open: what was begun on it ends with it. */
const page = { scope: new AbortController() };

/** Aborted when the page of the piece that is open now is left. */
export const pageSignal = (): AbortSignal => page.scope.signal;

/** Ends all that belongs to the page, as another piece is opened or the editor is left. */
export function leavePage(): void {
  page.scope.abort();
  page.scope = new AbortController();
}
