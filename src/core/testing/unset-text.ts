import { newLettering, type Lettering, type TextSetting } from '../document';

/** How a text of tests is set, where that does not matter. */
export const settingOf = (text: string): TextSetting => ({
  text,
  face: { id: 'lora', weight: 400 },
  size: 100,
  tracking: 0,
  leading: 1.2,
  align: 'left',
});

/** Lettering that no face has set yet: it has no glyphs, and shows nothing. */
export const unsetText = (id: string, text: string, part: Partial<Lettering> = {}): Lettering =>
  newLettering(id, id, settingOf(text), { outlines: {}, glyphs: [], scale: 1, missing: [] }, part);
