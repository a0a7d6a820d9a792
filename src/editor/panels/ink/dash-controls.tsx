'use client';
import { changed, type Ink, type Stroke, shared } from '@/core/document';
import { measurePath } from '@/core/geometry';
import {
  DASH_PRESETS,
  dashesInUnit,
  dashPresetOf,
  NEW_DASHES,
  readPattern,
  type Dashes,
  type DashPreset,
} from '@/core/ink';
import { leastGap, openedDashes } from '@/core/proof';
import { valueAt } from '@/core/timing';
import {
  Button,
  NumberField,
  pixelsASecond,
  plain,
  ReadField,
  Segmented,
  Select,
  Hint,
  Labelled,
  Gap,
} from '@/ui';
import { PartCheck, PartChoice, PartField } from '../../properties';
import { useCalm } from '../../state';
import { InkPicture } from './ink-picture';
import { changeInk, changeInkBy } from './ink-values';

/** What is left of a pattern when effects are taken off: the picture of the dashes alone. */
const dashesAlone = (ink: Ink): Ink =>
  changed(ink, {
    glow: undefined,
    innerGlow: undefined,
    shadow: undefined,
    shadowLine: undefined,
    ends: undefined,
    taper: undefined,
    widths: undefined,
  });

/** The gap that the eye sees with round or square caps, and the offer to open one that closes. */
function SeenGap({ strokes }: { strokes: readonly Stroke[] }) {
  const frame = useCalm((s) => Math.round(s.frame));
  const gaps = strokes.flatMap((stroke) => leastGap(stroke, frame) ?? []);
  if (gaps.length === 0) return null;
  const least = Math.max(0, Number(Math.min(...gaps).toFixed(1)));
  if (!strokes.some((stroke) => openedDashes(stroke, frame)))
    return <Hint>The eye sees gaps of {least} px.</Hint>;
  const open = () =>
    changeInkBy((stroke) => ({ dashes: openedDashes(stroke, frame) ?? stroke.ink.dashes }), 'mend gaps');
  return (
    <Hint style={{ color: 'var(--caution)' }}>
      Caps close a gap: the eye sees {least} px.{' '}
      <Button style={{ height: 24, marginLeft: 4 }} onPress={open}>
        Open it
      </Button>
    </Hint>
  );
}

/** Dashes: the pattern, how it keeps to the stroke, and how it flows. */
export function DashControls({ strokes }: { strokes: readonly Stroke[] }) {
  const inks = strokes.map((stroke) => stroke.ink);
  const having = inks.filter((ink) => ink.dashes);
  const [first] = having;
  const change = (part: Partial<Dashes>, kind: string) =>
    changeInk((ink) => (ink.dashes ? { dashes: { ...ink.dashes, ...part } } : {}), kind);
  const changeSpeed = (part: Partial<Dashes['speed']>, kind: string) =>
    changeInk(
      ({ dashes }) => (dashes ? { dashes: { ...dashes, speed: { ...dashes.speed, ...part } } } : {}),
      kind,
    );
  const pattern = shared(having.map((ink) => ink.dashes!.pattern));
  const unit = shared(having.map((ink) => ink.dashes!.unit));
  const speed = shared(having.map((ink) => ink.dashes!.speed));
  const chosen = shared(inks.map(({ dashes }) => (dashes ? (dashPresetOf(dashes) ?? 'own') : 'none')));
  const choose = (name: string) =>
    changeInk(({ dashes = NEW_DASHES }) => {
      if (name === 'none') return { dashes: undefined };
      if (name === 'one') return { dashes: { ...dashes, pattern: [0.2, 0.8], unit: 'share' } };
      return { dashes: { ...dashes, pattern: DASH_PRESETS[name as DashPreset], unit: 'widths' } };
    }, 'dashes');
  return (
    <>
      {first && <InkPicture ink={dashesAlone(first)} label="The dashes of the selection" height={40} flat />}
      <Gap />
      <Select
        label="Dashes"
        value={chosen === 'own' ? null : chosen}
        placeholder={chosen === 'own' ? 'own pattern' : 'differs'}
        choices={[
          { id: 'none', name: 'unbroken' },
          ...(Object.keys(DASH_PRESETS) as DashPreset[]).map((id) => ({ id, name: id })),
          { id: 'one', name: 'a single dash' },
        ]}
        onChange={choose}
      />
      {first && (
        <>
          <Labelled name="Pattern">
            <ReadField
              label="Dash and gap"
              title="Dash, gap, dash, gap …"
              style={{ textAlign: 'right' }}
              placeholder={pattern === null ? 'differs' : undefined}
              value={pattern?.map((n) => Number(n.toFixed(2))).join(' · ') ?? ''}
              read={readPattern}
              onChange={(to) => change({ pattern: to }, 'pattern')}
            />
          </Labelled>
          <Segmented
            before="in"
            label="Pattern in"
            value={unit}
            choices={{ widths: 'widths', px: 'px', share: '% length' }}
            onChange={(to) =>
              changeInkBy(({ ink: { dashes, width }, path }) => {
                const [wide, long] = [valueAt(width, 0) || 1, measurePath(path).length || 1];
                return dashes ? { dashes: dashesInUnit(dashes, to, wide, long) } : {};
              }, 'dash unit')
            }
          />
          <SeenGap strokes={strokes} />
          <PartChoice
            part="ink.dashes.flow"
            label="Dashes while the stroke grows"
            choices={{ stay: 'stay put', ride: 'ride the tail', march: 'march' }}
          />
          {having.some((ink) => ink.dashes!.flow === 'march') && (
            <>
              <NumberField
                label="Speed"
                value={speed?.value ?? null}
                min={-100000}
                max={100000}
                step={speed?.unit === 'patterns' ? 1 : 5}
                onChange={(value) => changeSpeed({ value }, 'speed')}
                {...(speed?.unit === 'patterns' ? plain : pixelsASecond)}
              />
              <Segmented
                label="Speed in"
                value={speed?.unit ?? null}
                choices={{ px: 'px a second', patterns: 'patterns a loop' }}
                onChange={(to) => changeSpeed({ unit: to, value: to === 'px' ? 60 : 8 }, 'speed unit')}
              />
              <PartCheck part="ink.dashes.speed.seamless">Round the speed so that the loop closes</PartCheck>
            </>
          )}
          <PartField part="ink.dashes.phase" />
          <PartField part="ink.dashes.grow" />
          <PartCheck part="ink.dashes.fit">Fit whole repeats</PartCheck>
          <PartCheck part="ink.dashes.corners">Corners amid dashes</PartCheck>
        </>
      )}
    </>
  );
}
