'use client';
import { changed, type Lettering, type TextSetting } from '@/core/document';
import { Check, Fold, Hint } from '@/ui';
import { changeSetting, TextSample, useTypeFacts } from '../lettering';

type Features = NonNullable<TextSetting['features']>;

/** A setting with a feature switched; one that is as it would be by itself is not kept. */
function switched(features: Features | undefined, tag: string, on: boolean): Features | undefined {
  const next: Record<string, number> = { ...features, [tag]: on ? 1 : 0 };
  if (features?.[tag] !== undefined && features[tag] > 0 !== on) delete next[tag];
  return Object.keys(next).length > 0 ? next : undefined;
}

/** The OpenType features of the face that make a difference to the text, each seen on the text itself. */
export function FeaturesFold({ lettering: { id, setting } }: { lettering: Lettering }) {
  const { features } = useTypeFacts(setting);
  return (
    <Fold title="OpenType features" {...(features.length > 0 && { fact: String(features.length) })}>
      {features.map(({ tag, name, on }) => {
        const other = switched(setting.features, tag, !on);
        return (
          <div key={tag}>
            <Check
              isSelected={on}
              onChange={() => void changeSetting(id, { features: other }, `feature ${tag}`)}
            >
              {name}
            </Check>
            {/* What the text is like the other way. */}
            <TextSample setting={changed<TextSetting>(setting, { features: other })} />
          </div>
        );
      })}
      {features.length === 0 && <Hint>The face has none that would change this text.</Hint>}
    </Fold>
  );
}
