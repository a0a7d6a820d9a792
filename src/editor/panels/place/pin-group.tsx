'use client';
import { X } from 'lucide-react';
import { addPin, removePin } from '@/core/document';
import { Button, Fold, IconButton, Hint, Row } from '@/ui';
import { OwnersOf, PartField } from '../../properties';
import { NameField } from '../../name-field';
import { edit, newId, useCalm, useEditor } from '../../state';

/** Points that move through the picture and carry others along. */
export function PinGroup() {
  const pins = useCalm((s) => s.piece.pins);
  const add = () => {
    const { size } = useEditor.getState().piece;
    edit((piece) =>
      addPin(piece, {
        id: newId(),
        name: `Pin ${piece.pins.length + 1}`,
        x: size.width / 2,
        y: size.height / 2,
      }),
    );
  };
  return (
    <Fold title="Pins" {...(pins.length > 0 && { fact: String(pins.length) })} open={pins.length > 0}>
      {pins.map((pin) => (
        <div key={pin.id}>
          <Row>
            <NameField
              label="Name of the pin"
              value={pin.name}
              onChange={(name) =>
                edit((piece) => ({
                  ...piece,
                  pins: piece.pins.map((one) => (one.id === pin.id ? { ...one, name } : one)),
                }))
              }
            />
            <IconButton plain label={`Remove ${pin.name}`} onPress={() => edit((p) => removePin(p, pin.id))}>
              <X />
            </IconButton>
          </Row>
          <OwnersOf ids={[pin.id]}>
            <PartField part="pin.x" />
            <PartField part="pin.y" />
          </OwnersOf>
        </div>
      ))}
      {pins.length === 0 && (
        <Hint>A pin is a point that moves through the picture. What it carries moves along.</Hint>
      )}
      <Button $wide onPress={add}>
        Set a pin
      </Button>
    </Fold>
  );
}
