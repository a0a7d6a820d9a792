import { create } from 'zustand';

/** The pieces that are selected in the list, and the one a press with Shift counts from. */
export const useChosen = create<{ readonly ids: readonly string[]; readonly from: string | null }>(() => ({
  ids: [],
  from: null,
}));

export const clearChosen = (): void => useChosen.setState({ ids: [], from: null });

/** Selects a piece or lets it go; `all` are those that go with it. */
export function choose(id: string, all: readonly string[], on: boolean): void {
  useChosen.setState(({ ids }) => ({
    ids: on ? [...new Set([...ids, ...all])] : ids.filter((one) => !all.includes(one)),
    from: id,
  }));
}
