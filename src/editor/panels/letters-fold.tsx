'use client';
import { useEffect } from 'react';
import { letterSchema, lettersIn, type Lettering, type LetterSetting, shared } from '@/core/document';
import { Button, ColourField, Fold, Hint, LetterButton, LetterRow, Select } from '@/ui';
import { changeLetters, useLetterForms } from '../lettering';
import { useSwatches, ValueField } from '../properties';
import { letLettersGo, takeLetters, useLettersInHand } from '../state';

/** More letters than these are chosen on the canvas. */
const LISTED = 120;
const NUMBERS = ['kern', 'x', 'y', 'rotation', 'scale'] as const;
const PLAIN = { kern: 0, x: 0, y: 0, rotation: 0, scale: 1 };
/** What makes a letter one of the others again. */
const LIKE_THE_OTHERS = {
  ...{ kern: undefined, x: undefined, y: undefined, rotation: undefined, scale: undefined },
  ...{ colour: undefined, features: undefined },
};

const formName = ({ features = {} }: LetterSetting): string =>
  Object.entries(features)
    .map(([tag, value]) => `${tag} ${value}`)
    .join();

/** Another form of one letter. */
function FormChoice({ lettering, letter }: { lettering: Lettering; letter: LetterSetting }) {
  const forms = useLetterForms(lettering.setting, letter.at);
  if (forms.length === 0) return <Hint>The face has no other form of this letter.</Hint>;
  return (
    <Select
      before="Form"
      label="Form of the letter"
      value={formName(letter) || 'as set'}
      choices={[
        { id: 'as set', name: 'as set' },
        ...forms.map(({ tag, value, name }) => ({ id: `${tag} ${value}`, name })),
      ]}
      onChange={(id) => {
        const form = forms.find(({ tag, value }) => `${tag} ${value}` === id);
        const features = form && { [form.tag]: form.value };
        changeLetters(lettering.id, [letter.at], () => ({ features }), 'form');
      }}
    />
  );
}

/** What some letters of a text have for themselves. */
export function LettersFold({ lettering }: { lettering: Lettering }) {
  const { of, places } = useLettersInHand();
  const swatches = useSwatches();
  const { id, setting, colour } = lettering;
  useEffect(() => letLettersGo, [id]);
  const all = lettersIn(lettering);
  const known = new Map((setting.letters ?? []).map((letter) => [letter.at, letter]));
  const chosen = of === id ? all.filter(({ at }) => places.includes(at)) : [];
  const letters = chosen.map(({ at }): LetterSetting => known.get(at) ?? { at });
  const ats = letters.map(({ at }) => at);
  const put = (part: Parameters<typeof changeLetters>[2], merge: string) =>
    changeLetters(id, ats, part, `letters ${merge}`);
  const [only, ...more] = letters;
  return (
    <Fold title="Letters" open={chosen.length > 0} {...(known.size > 0 && { fact: `${known.size} apart` })}>
      <LetterRow role="group" aria-label="Letters of the text" dir="auto">
        {all.slice(0, LISTED).map(({ at, letter }, i) => (
          <LetterButton
            key={at}
            type="button"
            aria-label={`${letter}, letter ${i + 1}`}
            aria-pressed={ats.includes(at)}
            data-apart={known.has(at) || undefined}
            onClick={(event) => takeLetters(id, at, event.shiftKey || event.ctrlKey || event.metaKey)}
          >
            {letter}
          </LetterButton>
        ))}
      </LetterRow>
      {only ? (
        <>
          {NUMBERS.map((part) => {
            const shown = shared(letters.map((letter) => letter[part] ?? PLAIN[part]));
            return (
              <ValueField
                key={part}
                schema={letterSchema}
                value={{ ...only, [part]: only[part] ?? PLAIN[part] }}
                part={part}
                shown={shown}
                onChange={(to) => put(() => ({ [part]: to === PLAIN[part] ? undefined : to }), part)}
              />
            );
          })}
          <ColourField
            label="Colour"
            value={shared(letters.map((letter) => letter.colour ?? colour))}
            swatches={swatches}
            onChange={(to) => put(() => ({ colour: to === colour ? undefined : to }), 'colour')}
          />
          {more.length === 0 && <FormChoice lettering={lettering} letter={only} />}
          <Button
            $wide
            isDisabled={!ats.some((at) => known.has(at))}
            onPress={() => put(() => LIKE_THE_OTHERS, 'reset')}
          >
            Reset
          </Button>
        </>
      ) : (
        <Hint>Choose a letter here, or double-click it on the canvas; Shift takes more.</Hint>
      )}
    </Fold>
  );
}
