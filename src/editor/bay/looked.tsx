'use client';
import { useEffect, useRef, useState, type MouseEvent, type ReactNode, type RefObject } from 'react';
import { Pause, Play } from 'lucide-react';
import type { Received } from '@/contract';
import { wayFindings, type Pixels, type Way } from '@/core/bay';
import { clamp } from '@/core/numbers';
import { timecode } from '@/core/timing';
import { IconButton, notify, nudgeKeys, Segmented, shareIn } from '@/ui';
import { Bar, Desk, Problem, Scrub, Side, Table } from './bay-frame';
import { FileFacts, FindingList, GroundChoice, WayChoice } from './bay-panel';
import { chooseFiles } from '../choose-files';
import { knownNature } from './compose';
import { fileFindings } from './file-findings';
import type { Ground } from './grounds';
import { Panes, type Focus } from './panes';
import { PictureView } from './picture-view';
import { SHOWN, type Shown } from './shown';
import { firstWay, useComposed, useInkMiddle, usePieceOf, useRevisionNow, type Against } from './use-bay';
import { usePlaying } from './use-playing';
import { VectorView } from './vector-view';

type Zoom = 'fit' | '1' | '2' | '4' | '8';
const ZOOMS = (['fit', '1', '2', '4', '8'] as const).map((id) => ({
  id,
  name: id === 'fit' ? id : `${id}×`,
}));
const GAINS = { '1': '1×', '4': '4×', '16': '16×' } as const;

const FIRST_GROUND: Ground = { kind: 'shot', colour: '#7a8288', picture: null };

/** The room that pictures have, px. */
function useRoom(): readonly [ref: RefObject<HTMLDivElement | null>, width: number, height: number] {
  const ref = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState<readonly [number, number]>([800, 500]);
  useEffect(() => {
    const observer = new ResizeObserver(([entry]) =>
      setSize([entry!.contentRect.width, entry!.contentRect.height]),
    );
    observer.observe(ref.current!);
    return () => observer.disconnect();
  }, []);
  return [ref, ...size];
}

/** What is seen of one file, with all that can be changed about it. */
export function Looked({ received, choice }: { received: Received; choice: ReactNode }) {
  const [frame, setFrame] = useState(() => Math.floor(received.frames / 2));
  const [way, setWay] = useState<Way>(() => firstWay(received));
  const [ground, setGround] = useState<Ground>(FIRST_GROUND);
  const [shown, setShown] = useState<Shown>('received');
  const [gain, setGain] = useState<keyof typeof GAINS>('4');
  const [zoom, setZoom] = useState<Zoom>('fit');
  const [focus, setFocus] = useState<Focus>([0.5, 0.5]);
  const [against, setAgainst] = useState<Against>('made');
  const { playing, setPlaying } = usePlaying(received, setFrame);
  const piece = usePieceOf(received, against);
  const [room, wide, high] = useRoom();
  const { width, height, frames, rate } = received;
  const vectors = received.shows !== 'frames';
  const beside = shown === 'beside' && !vectors && piece !== null;
  const fit = Math.min(((beside ? wide / 2 : wide) - 22) / width, (high - 20) / height);
  const scale = zoom === 'fit' ? fit : Number(zoom) / (window.devicePixelRatio || 1);
  const choosePicture = () =>
    chooseFiles('image/*', ([file]) =>
      createImageBitmap(file!).then(
        (picture) => setGround((old) => ({ ...old, kind: 'picture', picture })),
        () => notify(`“${file!.name}” is not a picture this browser can show.`),
      ),
    );
  /** Goes near to what is pressed, and back again. */
  const goNear = (event: MouseEvent) => {
    const { x, y } = shareIn(event.currentTarget, event);
    setFocus([x, y]);
    setZoom(zoom === 'fit' ? '4' : 'fit');
  };
  const keys = nudgeKeys(
    zoom === 'fit' ? { along: (by) => setFrame((at) => clamp(at + by, 0, frames - 1)) } : {},
  );
  const { composed, error } = useComposed({ received, piece, frame, way, ground, gain: Number(gain) });
  const ink = useInkMiddle(piece, received);
  useEffect(() => setFocus(ink), [ink]);
  const nature = composed?.nature ?? knownNature(received);
  const findings = [
    ...(nature && !vectors ? wayFindings(nature, way, composed?.measured ?? null) : []),
    ...fileFindings(received, piece),
  ];
  const now = useRevisionNow(received);
  const choices: Partial<Record<Shown, string>> = piece
    ? vectors
      ? { received: SHOWN.received, piece: SHOWN.piece, difference: SHOWN.difference }
      : SHOWN
    : { received: SHOWN.received };
  const picture = (pixels: Pixels | null | undefined, label: string, caption: string) =>
    pixels ? (
      <PictureView
        key={label}
        {...{ pixels, width, height, label }}
        zoom={scale}
        onPress={goNear}
        {...(beside && { caption })}
      />
    ) : null;
  const showsReceived = shown === 'received' || shown === 'beside' || !piece;
  const pictures = vectors
    ? [
        <VectorView
          key="vectors"
          {...{ received, piece, frame, ground, shown }}
          zoom={scale}
          room={[wide - 20, high - 20]}
        />,
      ]
    : [
        showsReceived && picture(composed?.shown, 'As it is received', 'received'),
        (shown === 'piece' || beside) &&
          picture(composed?.wanted, 'The piece', against === 'made' ? 'the piece' : 'the piece, now'),
        shown === 'difference' && picture(composed?.difference, 'Difference', ''),
      ].filter(Boolean);
  return (
    <>
      <Side aria-label="The file">
        {choice}
        <FileFacts received={received} />
        <div style={{ height: 10 }} />
        {!vectors && (
          <WayChoice {...{ received, way, nature }} isKnown={composed !== null} onChange={setWay} />
        )}
        <GroundChoice
          ground={ground}
          onChange={setGround}
          choosePicture={choosePicture}
          against={against}
          revisions={received.export && now !== null ? { made: received.export.revision, now } : null}
          onAgainst={setAgainst}
        />
        <FindingList findings={findings} />
      </Side>
      <Table>
        <Bar>
          <Segmented
            label="What is looked at"
            value={piece ? shown : 'received'}
            choices={Object.entries(choices).map(([id, name]) => ({ id: id as Shown, name }))}
            onChange={setShown}
          />
          {shown === 'difference' && !vectors && (
            <Segmented label="How strong" value={gain} choices={GAINS} onChange={setGain} />
          )}
          <div style={{ flex: 1 }} />
          <Segmented label="Zoom" value={zoom} choices={ZOOMS} onChange={setZoom} />
        </Bar>
        <Desk ref={room} tabIndex={0} aria-label="Pictures" onKeyDown={keys}>
          {error ? (
            <Problem role="alert">{error}</Problem>
          ) : (
            <Panes
              pictures={pictures}
              fits={zoom === 'fit'}
              focus={focus}
              size={[width * scale, height * scale]}
            />
          )}
        </Desk>
        <Scrub>
          <IconButton
            plain
            label={playing ? 'Stop' : 'Play'}
            isDisabled={frames < 2}
            onPress={() => setPlaying(!playing)}
          >
            {playing ? <Pause aria-hidden /> : <Play aria-hidden />}
          </IconButton>
          <input
            type="range"
            aria-label="Frame"
            aria-valuetext={`Frame ${frame}, ${timecode(frame, rate)}`}
            min={0}
            max={frames - 1}
            value={frame}
            onChange={(event) => setFrame(Number(event.currentTarget.value))}
          />
          <span>
            {timecode(frame, rate)} · frame {frame} of {frames}
          </span>
        </Scrub>
      </Table>
    </>
  );
}
