'use client';
import {
  Button,
  ColorArea,
  ColorField,
  ColorPicker,
  ColorSlider,
  ColorSwatch,
  ColorSwatchPicker,
  ColorSwatchPickerItem,
  ColorThumb,
  Dialog,
  DialogTrigger,
  Input,
  parseColor,
  SliderTrack,
} from 'react-aria-components';
import { Pipette } from 'lucide-react';
import { useContext, useEffect, useRef } from 'react';
import styled from 'styled-components';
import { EditStepContext } from './edit-step';
import { Pop } from './select';

const Row = styled.div`
  display: flex;
  align-items: center;
  justify-content: space-between;
  min-height: 28px;
  padding-right: var(--number-inset, 0);
  color: var(--quiet);
`;
const Trigger = styled(Button)`
  display: flex;
  align-items: center;
  gap: 8px;
  height: 26px;
  padding: 0 7px;
  border: 1px solid transparent;
  border-radius: 6px;
  background: none;
  color: var(--text);
  cursor: default;
  &[data-hovered] {
    border-color: var(--rule);
  }
`;
const swatch = { width: 18, height: 18, borderRadius: 5, border: '1px solid var(--rule)' };
const Sheet = styled(Dialog)`
  display: grid;
  gap: 10px;
  width: 208px;
  padding: 8px;
  outline: none;
`;
const thumb = {
  width: 16,
  height: 16,
  border: '2px solid white',
  borderRadius: '50%',
  boxShadow: '0 0 0 1px black',
};
const Quiet = styled.div`
  margin-bottom: 4px;
  color: var(--quiet);
  font-size: 12px;
`;
const PickButton = styled(Button)`
  display: flex;
  align-items: center;
  justify-content: center;
  gap: 6px;
  height: 28px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: none;
  color: var(--text);
  svg {
    width: 15px;
  }
`;
const Hex = styled(Input)`
  width: 100%;
  height: 28px;
  padding: 0 8px;
  border: 1px solid var(--rule);
  border-radius: 6px;
  background: var(--desk);
`;

/** Colours to choose from, by where they come from. */
export type Swatches = readonly { readonly name: string; readonly colours: readonly string[] }[];

/** A colour as #rrggbb; null where the selection differs. */
export function ColourField({
  label,
  fullLabel = label,
  value,
  swatches,
  onChange,
  onSettled,
  onPick,
}: {
  label: string;
  /** What a screen reader calls it, where its label alone would not say what it belongs to. */
  fullLabel?: string;
  value: string | null;
  swatches: Swatches;
  onChange: (value: string) => void;
  /** The picker was closed; everything done while it was open is one step of undo. */
  onSettled?: () => void;
  /** Asks for a colour to be taken from the picture. */
  onPick?: () => void;
}) {
  const editStep = useContext(EditStepContext);
  const isOpen = useRef(false);
  // A panel that goes away with its picker open keeps what was chosen.
  useEffect(() => () => void (isOpen.current && editStep.end()), [editStep]);
  const turned = (open: boolean) => {
    isOpen.current = open;
    if (open) editStep.begin();
    else {
      editStep.end();
      onSettled?.();
    }
  };
  const shown = parseColor(value ?? '#808080').toFormat('hsb');
  return (
    <Row>
      <span>{label}</span>
      <ColorPicker value={shown} onChange={(colour) => onChange(colour.toString('hex').toLowerCase())}>
        <DialogTrigger onOpenChange={turned}>
          <Trigger aria-label={`${fullLabel}: ${value ?? 'differs'}`}>
            {value ?? 'differs'}
            {value && <ColorSwatch color={value} colorName={value} style={swatch} />}
          </Trigger>
          <Pop placement="bottom end">
            <Sheet aria-label={fullLabel}>
              {({ close }) => (
                <>
                  <ColorArea
                    colorSpace="hsb"
                    xChannel="saturation"
                    yChannel="brightness"
                    style={{ width: '100%', height: 120, borderRadius: 6 }}
                  >
                    <ColorThumb style={thumb} />
                  </ColorArea>
                  <ColorSlider channel="hue" colorSpace="hsb" aria-label="Hue">
                    <SliderTrack style={{ height: 16, borderRadius: 8 }}>
                      <ColorThumb style={{ ...thumb, top: '50%' }} />
                    </SliderTrack>
                  </ColorSlider>
                  <ColorField aria-label="Hex">
                    <Hex />
                  </ColorField>
                  {onPick && (
                    <PickButton
                      slot={null}
                      onPress={() => {
                        close();
                        onPick();
                      }}
                    >
                      <Pipette aria-hidden /> Take it from the picture
                    </PickButton>
                  )}
                  {swatches.map(({ name, colours }) => (
                    <div key={name}>
                      <Quiet>{name}</Quiet>
                      <ColorSwatchPicker
                        aria-label={name}
                        style={{ display: 'flex', flexWrap: 'wrap', gap: 6 }}
                      >
                        {colours.map((colour) => (
                          <ColorSwatchPickerItem key={colour} color={colour} style={{ borderRadius: 5 }}>
                            <ColorSwatch colorName={colour} style={swatch} />
                          </ColorSwatchPickerItem>
                        ))}
                      </ColorSwatchPicker>
                    </div>
                  ))}
                </>
              )}
            </Sheet>
          </Pop>
        </DialogTrigger>
      </ColorPicker>
    </Row>
  );
}
