import { create } from 'zustand';
import { z } from 'zod';
import { recall, remember } from '../remembered';

const KEY = 'obelus-keys';

const ownKeysSchema = z.object({
  /** Whether keys without Ctrl or Alt that write a character do anything. */
  characters: z.boolean(),
  /** Keys that a person gave to what a key does, by its name; null where it has none. */
  own: z.record(z.string(), z.string().nullable()),
});
type OwnKeys = z.infer<typeof ownKeysSchema>;

const NONE: OwnKeys = { characters: true, own: {} };

function recalled(): OwnKeys {
  try {
    return ownKeysSchema.parse(JSON.parse(recall(KEY) ?? ''));
  } catch {
    return NONE;
  }
}

/** How a person changed the keys (WCAG 2.2, 2.1.4: keys of one character can be switched off and changed). */
export const useOwnKeys = create<OwnKeys>(recalled);

useOwnKeys.subscribe((now) => remember(KEY, JSON.stringify(now)));

/** Whether keys are a single character, alone or with Shift. */
export const isCharacter = (keys: string): boolean => [...keys].length === 1;

/** Gives a key to what another key did: that is left without one. */
export function giveKey(name: string, keys: string, all: readonly { name: string; keys: string }[]): void {
  useOwnKeys.setState(({ own }) => {
    const taken = all.find((one) => one.name !== name && (own[one.name] ?? one.keys) === keys);
    return { own: { ...own, ...(taken && { [taken.name]: null }), [name]: keys } };
  });
}

export const resetKeys = (): void => useOwnKeys.setState(NONE);
