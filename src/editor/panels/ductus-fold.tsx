'use client';
import { useMemo, useState } from 'react';
import { Radio, RadioGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Lettering } from '@/core/document';
import { formChoices } from '@/core/ductus';
import { Fold, Hint, LetterButton, LetterRow } from '@/ui';
import { chooseForm } from '../lettering';
import { traceSource, sourceById, useTracing } from '../tracing';
import { useEditor } from '../state';
import { FormPicture } from './form-picture';

const Forms = styled(RadioGroup)`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 6px;
`;
const Card = styled(Radio)`
  display: flex;
  flex-direction: column;
  justify-content: space-between;
  gap: 4px;
  min-height: 96px;
  padding: 6px 4px;
  border: 1px solid var(--line);
  border-radius: 7px;
  color: var(--quiet);
  font-size: 11px;
  line-height: 1.25;
  text-align: center;
  cursor: default;
  &[data-hovered] {
    color: var(--text);
  }
  &[data-selected] {
    border-color: var(--head);
    background: var(--pressed);
    color: var(--text);
  }
`;
const Fits = styled.span`
  margin: auto;
`;

/** What stands for the form that a letter is most like. */
const AS_IT_FITS = '';

/** In which form each letter of a text is written: the number, order and direction of its strokes. */
export function DuctusFold({ lettering }: { lettering: Lettering }) {
  const { text } = lettering.setting;
  const choices = useMemo(() => formChoices(text.normalize('NFC')), [text]);
  const letters = [...choices.keys()];
  const [taken, take] = useState<string | null>(null);
  if (letters.length === 0) return null;
  const { ductus } = lettering.setting;
  const letter = taken !== null && choices.has(taken) ? taken : null;
  const chosen = letters.filter((one) => ductus?.[one] !== undefined).length;
  const choose = (of: string, form: string) => {
    chooseForm(lettering.id, of, form === AS_IT_FITS ? null : form);
    // What was found and waits is found again; what is in the piece follows by itself.
    const source = sourceById(useEditor.getState().piece, lettering.id);
    if (source && useTracing.getState().run?.source === lettering.id) void traceSource(source);
  };
  return (
    <Fold title="How letters are written" {...(chosen > 0 && { fact: `${chosen} chosen` })}>
      <LetterRow role="group" aria-label="Letters with several forms" dir="auto">
        {letters.map((one) => (
          <LetterButton
            key={one}
            type="button"
            aria-pressed={one === letter}
            data-apart={ductus?.[one] !== undefined || undefined}
            onClick={() => take(one)}
          >
            {one}
          </LetterButton>
        ))}
      </LetterRow>
      {letter !== null ? (
        <>
          <Forms
            aria-label={`How ${letter} is written`}
            value={ductus?.[letter] ?? AS_IT_FITS}
            onChange={(form) => choose(letter, form)}
          >
            <Card value={AS_IT_FITS}>
              <Fits>as it fits</Fits>
            </Card>
            {choices.get(letter)!.map((form) => (
              <Card key={form.name} value={form.name}>
                <FormPicture form={form} />
                {form.name}
              </Card>
            ))}
          </Forms>
          <Hint>For every {letter} of this text, and of texts you set in this face later.</Hint>
        </>
      ) : (
        <Hint>Choose a letter to say in what order and direction its strokes are written.</Hint>
      )}
    </Fold>
  );
}
