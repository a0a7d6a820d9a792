'use client';
import { createContext } from 'react';

/** How a page makes one step of undo of what a control does in many small changes. */
export interface EditStep {
  begin(): void;
  /** What was changed since stays, as one step. */
  end(): void;
  /** All of it goes back. */
  cancel(): void;
}

const NONE: EditStep = { begin() {}, end() {}, cancel() {} };

/** The controls know no document: the page around them says what a step is. Without one, every change is its own. */
export const EditStepContext = createContext<EditStep>(NONE);
