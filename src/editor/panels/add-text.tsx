'use client';
import { useState } from 'react';
import { Button, Group, Hint, TextInput } from '@/ui';
import { addText, FacePicker, lineFacesOf, useFaces } from '../lettering';
import { useTools } from '../state';

/** Sets type: lettering in a face, or strokes at once in a single-line face. */
export function AddText({ hint }: { hint?: string }) {
  const faces = useFaces();
  const [text, setText] = useState('');
  const face = useTools((s) => s.face);
  const go = () => {
    if (text.trim() === '') return;
    void addText(text, face);
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
      <div style={{ margin: '6px 0' }}>
        <FacePicker
          label="Face to set it in"
          value={face}
          faces={[...(faces?.faces ?? []), ...lineFacesOf(faces)]}
          word={text}
          onChange={({ id }) => useTools.setState({ face: id })}
        />
      </div>
      <Button $wide isDisabled={text.trim() === ''} onPress={go}>
        Set
      </Button>
      {hint && <Hint>{hint}</Hint>}
    </Group>
  );
}
