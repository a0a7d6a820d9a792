'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { PIECES, type ProjectSummary } from '@/contract';
import { cutName, newPiece, SIZES } from '@/core/document';
import { parseTime, rateName, RATES } from '@/core/timing';
import { Dialog, MainButton, NumberField, Select, TextInput } from '@/ui';
import { notePieceMade } from '../fresh-piece';
import { call } from '../saving';
import { Form, Foot } from './project-frame';

/** Asks what a new piece is to be. */
export function NewPiece({ project, onClose }: { project: ProjectSummary; onClose: () => void }) {
  const router = useRouter();
  const [name, setName] = useState('');
  const [size, setSize] = useState(SIZES[0]!.id);
  const [rateId, setRateId] = useState('25/1');
  const [length, setLength] = useState(100);
  const [error, setError] = useState('');
  const [isBusy, setBusy] = useState(false);
  const [numerator, denominator] = rateId.split('/').map(Number) as [number, number];
  const rate = { numerator, denominator };
  const create = async () => {
    if (isBusy) return;
    setBusy(true);
    const preset = SIZES.find((s) => s.id === size)!;
    try {
      const document = newPiece(cutName(name), preset.size, rate, length);
      const made = await call(PIECES.create, { params: { id: project.id }, body: { document } });
      notePieceMade(made.id);
      router.push(`/pieces/${made.id}`);
    } catch (problem) {
      setError((problem as Error).message);
      setBusy(false);
    }
  };
  return (
    <Dialog title="New piece" isOpen onClose={onClose} width={400}>
      <Form
        onSubmit={(event) => {
          event.preventDefault();
          void create();
        }}
      >
        <label>
          Name
          <TextInput
            autoFocus
            value={name}
            placeholder="Untitled"
            onChange={(e) => setName(e.currentTarget.value)}
          />
        </label>
        <label>
          Size
          <Select label="Size" value={size} choices={SIZES} onChange={setSize} />
        </label>
        <label>
          Frames a second
          <Select
            label="Frames a second"
            value={rateId}
            choices={RATES.map((r) => ({ id: `${r.numerator}/${r.denominator}`, name: rateName(r) }))}
            onChange={setRateId}
          />
        </label>
        <NumberField
          label="Length"
          value={length}
          min={1}
          max={216_000}
          onChange={(v) => setLength(Math.round(v))}
          format={(v) => `${v} fr`}
          parse={(text) => parseTime(text, rate)}
        />
        {error && <p role="alert">{error}</p>}
        <Foot>
          <MainButton type="submit" isPending={isBusy}>
            Create
          </MainButton>
        </Foot>
      </Form>
    </Dialog>
  );
}
