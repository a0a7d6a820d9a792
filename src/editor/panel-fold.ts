import { create } from 'zustand';

/** Windows in which the panel folds away: those of 1280 px at 200 %, and small ones. */
export const NARROW = '(max-width: 900px)';

/** Whether the panel is open where it folds; in wide windows it always stands there. */
export const usePanelFold = create<{ readonly open: boolean }>(() => ({ open: false }));
