import { writesItself } from '../behind';
import { nameOfHand, nameOfText } from '../names';
import { lettersOf, type Piece, type SetText, type TextSetting } from '../schema';
import { updateLayers } from './layers';

/**
 * Sets lettering otherwise. Where it writes itself it keeps the setting its strokes were found for, until they have followed.
 * What was called after its text, it and the group of its strokes, is called after the new one.
 */
export function setText(piece: Piece, id: string, setting: TextSetting, set: SetText): Piece {
  const before = lettersOf(piece).find((text) => text.id === id);
  if (!before) return piece;
  const named = before.name === nameOfText(before.setting.text);
  const name = named ? nameOfText(setting.text) : before.name;
  const written = writesItself(piece, before) && { written: before.written ?? before.setting };
  const changed = updateLayers(piece, [id], () => ({ ...before, name, setting, set, ...written }));
  const hands = before.reveal?.through ?? [];
  return {
    ...changed,
    groups: changed.groups.map((group) =>
      hands.includes(group.id) && group.name === nameOfHand(before.name)
        ? { ...group, name: nameOfHand(name) }
        : group,
    ),
  };
}
