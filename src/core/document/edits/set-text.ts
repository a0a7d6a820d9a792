import { changed, updateLayers, writesItself } from '../parts';
import {
  lettersOf,
  nameOfHand,
  nameOfText,
  type Lettering,
  type Piece,
  type SetText,
  type TextSetting,
} from '../schema';

/**
 * Sets lettering otherwise. Where it writes itself it keeps the setting its strokes were found for, until they have followed.
 * What was called after its text, it and the group of its strokes, is called after the new one. Keys of axes along which it is
 * not set any more go.
 */
export function setText(piece: Piece, id: string, setting: TextSetting, set: SetText): Piece {
  const before = lettersOf(piece).find((text) => text.id === id);
  if (!before) return piece;
  const named = before.name === nameOfText(before.setting.text);
  const name = named ? nameOfText(setting.text) : before.name;
  const written = writesItself(piece, before) && { written: before.written ?? before.setting };
  const tags = set.along?.axes.map(({ tag }) => tag) ?? [];
  const left = Object.entries(before.axes ?? {}).filter(([tag]) => tags.includes(tag));
  const axes = left.length > 0 ? Object.fromEntries(left) : undefined;
  const withText = updateLayers(piece, [id], () =>
    changed<Lettering>({ ...before, name, setting, set, ...written }, { axes }),
  );
  const hands = before.reveal?.through ?? [];
  return {
    ...withText,
    groups: withText.groups.map((group) =>
      hands.includes(group.id) && group.name === nameOfHand(before.name)
        ? { ...group, name: nameOfHand(name) }
        : group,
    ),
  };
}
