'use client';
import {
  Hand,
  Hash,
  ListOrdered,
  Magnet,
  Maximize,
  MousePointer2,
  Pencil,
  PenTool,
  Shapes,
  Type,
  Waypoints,
  ZoomIn,
  ZoomOut,
} from 'lucide-react';
import { Toolbar } from 'react-aria-components';
import styled from 'styled-components';
import { IconButton, IconToggle } from '@/ui';
import { fit, useView, zoomBy } from '../canvas';
import { focusCanvas } from '../focus-canvas';
import { takeTool, useEditor, useTools, type Tool } from '../state';

const Strip = styled(Toolbar)`
  position: absolute;
  left: 12px;
  bottom: 10px;
  display: flex;
  gap: 2px;
  padding: 4px;
  border: 1px solid var(--rule);
  border-radius: 10px;
  background: var(--panel);
`;
const Line = styled.i`
  width: 1px;
  margin: 4px 3px;
  background: var(--rule);
`;
const Zoom = styled(Toolbar)`
  position: absolute;
  right: 12px;
  bottom: 10px;
  display: flex;
  align-items: center;
  gap: 2px;
  padding: 2px 4px;
  border-radius: 8px;
  background: var(--panel);
  color: var(--quiet);
  span {
    min-width: 44px;
    text-align: center;
  }
`;

const TOOLS = [
  { id: 'select', name: 'Select', keys: 'V', icon: MousePointer2 },
  { id: 'pen', name: 'Pen', keys: 'P', icon: PenTool },
  { id: 'freehand', name: 'Freehand', keys: 'F', icon: Pencil },
  { id: 'shape', name: 'Lines and shapes', keys: 'U', icon: Shapes },
  { id: 'text', name: 'Set type', keys: 'T', icon: Type },
  { id: 'order', name: 'Tap the writing order', keys: 'N', icon: ListOrdered },
  { id: 'hand', name: 'Pan', keys: 'H', icon: Hand },
] as const satisfies readonly { id: Tool; name: string; keys: string; icon: unknown }[];

/** The tools of the canvas. */
export function ToolStrip() {
  const tool = useEditor((s) => s.tool);
  const snapping = useTools((s) => s.snapping);
  return (
    <Strip aria-label="Tools">
      {TOOLS.map(({ id, name, keys, icon: Icon }) => (
        <IconToggle
          key={id}
          label={name}
          keys={keys}
          plain
          isSelected={tool === id}
          onChange={() => {
            takeTool(id);
            focusCanvas();
          }}
        >
          <Icon />
        </IconToggle>
      ))}
      <Line />
      <IconToggle
        label="Snap"
        keys="M"
        plain
        isSelected={snapping}
        onChange={(on) => useTools.setState({ snapping: on })}
      >
        <Magnet />
      </IconToggle>
    </Strip>
  );
}

/** How large the piece is shown. */
export function ZoomStrip() {
  const zoom = useView((s) => s.zoom);
  const linesOnly = useEditor((s) => s.linesOnly);
  const numbers = useEditor((s) => s.numbers);
  return (
    <Zoom aria-label="Zoom">
      <IconToggle
        label="Strokes as lines only"
        keys="W"
        plain
        isSelected={linesOnly}
        onChange={(on) => useEditor.setState({ linesOnly: on })}
      >
        <Waypoints />
      </IconToggle>
      <IconToggle
        label="Numbers of the writing order"
        keys="J"
        plain
        isSelected={numbers}
        onChange={(on) => useEditor.setState({ numbers: on })}
      >
        <Hash />
      </IconToggle>
      <IconButton label="Zoom out" keys="-" plain onPress={() => zoomBy(0.8)}>
        <ZoomOut />
      </IconButton>
      <span>{Math.round(zoom * 100)} %</span>
      <IconButton label="Zoom in" keys="+" plain onPress={() => zoomBy(1.25)}>
        <ZoomIn />
      </IconButton>
      <IconButton label="Fit" keys="0" plain onPress={() => fit(useEditor.getState().piece.size)}>
        <Maximize />
      </IconButton>
    </Zoom>
  );
}
