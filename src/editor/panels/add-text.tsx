'use client';
import { useState } from 'react';
import { Button, Select, TextInput, Group } from '@/ui';
import { addLettering, addLineText, useFaces } from '../lettering';

/** Sets type: lettering in a face, or strokes at once in a single-line face. */
export function AddText() {
  const faces = useFaces();
  const [text, setText] = useState('');
  const [face, setFace] = useState('sacramento');
  const all = [
    ...(faces?.faces ?? []).map((f) => ({ id: f.id, name: f.name })),
    ...(faces?.lineFaces ?? []).map((f) => ({ id: `line:${f.id}`, name: `${f.name} · single line` })),
  ];
  const known = faces?.faces.find((f) => f.id === face);
  const weight =
    known && Array.isArray(known.weights) ? (known.weights.includes(400) ? 400 : known.weights[0]!) : 400;
  const go = () => {
    if (text.trim() === '') return;
    const line = faces?.lineFaces.find(({ id }) => face === `line:${id}`);
    if (line) void addLineText(text, line.id);
    else void addLettering(text, { id: face, weight });
    setText('');
  };
  return (
    <Group title="Set type">
      <TextInput
        aria-label="Text to set"
        placeholder="A word or a name"
        dir="auto"
        value={text}
        maxLength={500}
        onChange={(event) => setText(event.currentTarget.value)}
        onKeyDown={(event) => {
          if (event.key === 'Enter') go();
          event.stopPropagation();
        }}
      />
      <div style={{ display: 'grid', gridTemplateColumns: '1fr auto', gap: 6, marginTop: 6 }}>
        <Select label="Face to set it in" value={face} choices={all} onChange={setFace} />
        <Button style={{ height: 28 }} isDisabled={text.trim() === ''} onPress={go}>
          Set
        </Button>
      </div>
    </Group>
  );
}
