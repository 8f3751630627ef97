import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type PointerEvent, type SyntheticEvent } from 'react';
import { api } from '../../api/client';
import { useLoaded } from '../../controls/useLoaded';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { useLivePicture } from '../../picture/useLivePicture';
import { colours, mono } from '../../theme/theme';
import { PairMarks } from './match/PairMarks';
import { variantOf } from './proofWords';
import { useProofChoice, useProofs } from './useProofs';

/**
 * A proof over the picture: wiped over it or over another proof, beside it, or alone while B is
 * held, when the newest is shown in other rooms.
 */
export function ProofCompare() {
  const room = useChoice((c) => c.room);
  const choice = useProofChoice();
  const { proof, against, mode, flipped } = choice;
  const { state } = useDesk();
  const { data = [] } = useProofs();
  const inRoom = room === 'proofs';
  const left = data.find((p) => p.id === proof) ?? (flipped ? data.at(-1) : undefined);
  const variant = useVariant();
  if (!(inRoom || flipped)) return null;
  if (flipped) {
    return left ? <Still src={api.proofPictureUrl(left.id)} name={left.name} /> : null;
  }
  const right = data.find((p) => p.id === against && p.id !== left?.id);
  const developed = against === 'developed' && !!left && left.layerBytes > 0;
  const reference = against === 'reference' ? choice.reference : null;
  const live = !developed && !variant && !reference && !right;
  if (!left && live) return null;
  const measured =
    left && left.layerBytes > 0 && (live || (right !== undefined && right.layerBytes > 0));
  if (mode === 'difference' && measured) return <Difference proof={left.id} other={right?.id} />;
  const title = developed
    ? 'Set as now'
    : (variant?.text ?? (reference ? 'Reference' : (right?.name ?? 'Now')));
  const other = developed ? (
    <Made src={api.proofDevelopedUrl(left.id, state.revision)} name={title} />
  ) : variant ? (
    <Made src={variant.url} name={title} />
  ) : reference ? (
    <Still src={reference} name={title} whole />
  ) : right ? (
    <Still src={api.proofPictureUrl(right.id)} name={right.name} />
  ) : null;
  const own = left ? <Still src={api.proofPictureUrl(left.id)} name={left.name} /> : <LiveCopy />;
  const ownTitle = left?.name ?? 'Now';
  if (mode === 'beside') {
    return (
      <Box sx={{ position: 'absolute', inset: 0, display: 'flex', bgcolor: colours.surround }}>
        <Half title={ownTitle}>
          {own}
          {reference && !left && <PairMarks side="picture" aspect={null} />}
        </Half>
        <Half title={title}>
          {other ?? <LiveCopy />}
          {reference && !left && <PairMarks side="reference" aspect={choice.referenceAspect} />}
        </Half>
      </Box>
    );
  }
  return (
    <>
      {other}
      <Wipe left={ownTitle} right={title}>
        {own}
      </Wipe>
    </>
  );
}

/** The address and name of the variant of the live picture that is compared with, or null. */
function useVariant(): { url: string; text: string } | null {
  const against = useProofChoice((c) => c.against);
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const [version, setVersion] = useState(0);
  const light = desk.document.lights?.find((l) => l.id === chosen) ?? desk.document.lights?.[0];
  const made = variantOf(against, light);
  const on = made !== null;
  useEffect(() => {
    if (!on) return;
    const timer = setInterval(() => setVersion((v) => v + 1), OFTEN_MILLIS);
    return () => clearInterval(timer);
  }, [on]);
  return made && { url: api.variantUrl(desk.state.id, made.change, version), text: made.text };
}

/** A picture that the server has to make first. */
function Made({ src, name }: { src: string; name: string }) {
  const loaded = useLoaded(src);
  return loaded ? <Still src={loaded} name={name} /> : null;
}

const OFTEN_MILLIS = 1500;

/** By how many stops the picture now, or another proof, is brighter, with its scale. */
function Difference({ proof, other }: { proof: number; other: number | undefined }) {
  const [version, setVersion] = useState(0);
  useEffect(() => {
    if (other !== undefined) return;
    const timer = setInterval(() => setVersion((v) => v + 1), OFTEN_MILLIS);
    return () => clearInterval(timer);
  }, [other]);
  return (
    <>
      <Made
        src={api.proofDifferenceUrl(proof, other ?? null, version)}
        name="Difference in stops"
      />
      <Box
        role="img"
        aria-label="Colours of the difference, from 4 stops darker to 4 stops brighter"
        sx={{
          position: 'absolute',
          right: 8,
          bottom: 8,
          width: 220,
          fontFamily: mono,
          fontSize: 10,
          bgcolor: '#1f1f1fd0',
          borderRadius: 1,
          p: 0.5,
        }}
      >
        <Box sx={{ height: 8, background: `linear-gradient(90deg, ${SCALE.join(', ')})` }} />
        <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
          {['−4', '−2', '0', '+2', '+4 st'].map((text) => (
            <span key={text}>{text}</span>
          ))}
        </Box>
      </Box>
    </>
  );
}

/** Colours at −4, −2, 0, 2 and 4 stops, as the server has them. */
const SCALE = ['#080e14', '#16545c', '#767676', '#ec6e42', '#ffecd6'];

/** A picture; a whole one keeps its own shape. */
function Still({ src, name, whole = false }: { src: string; name: string; whole?: boolean }) {
  return (
    <Box
      component="img"
      alt={name}
      src={src}
      draggable={false}
      onLoad={(e: SyntheticEvent<HTMLImageElement>) => {
        const { naturalWidth, naturalHeight } = e.currentTarget;
        if (whole && naturalHeight > 0) {
          useProofChoice.setState({ referenceAspect: naturalWidth / naturalHeight });
        }
      }}
      sx={{
        position: 'absolute',
        inset: 0,
        width: '100%',
        height: '100%',
        objectFit: whole ? 'contain' : 'fill',
      }}
    />
  );
}

function Half({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box sx={{ flex: 1, display: 'grid', placeItems: 'center', minWidth: 0 }}>
      <Box sx={{ position: 'relative', width: '100%', height: '50%' }}>
        {children}
        <Tag side="left" text={title} />
      </Box>
    </Box>
  );
}

/** The live picture once more. */
function LiveCopy() {
  const canvas = useRef<HTMLCanvasElement>(null);
  useLivePicture(canvas);
  return (
    <canvas
      ref={canvas}
      aria-label="The picture now"
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
    />
  );
}

function Tag({ side, text }: { side: 'left' | 'right'; text: string }) {
  return (
    <Box
      sx={{
        position: 'absolute',
        bottom: 8,
        [side]: 8,
        px: 1,
        maxWidth: '45%',
        overflow: 'hidden',
        whiteSpace: 'nowrap',
        textOverflow: 'ellipsis',
        fontSize: 12,
        bgcolor: '#1f1f1fd0',
        borderRadius: 1,
      }}
    >
      {text}
    </Box>
  );
}

interface WipeProps {
  left: string;
  right: string;
  children: React.ReactNode;
}

/** What lies over the picture up to a line with a handle. */
function Wipe({ left, right, children }: WipeProps) {
  const at = useProofChoice((c) => c.wipe);
  const area = useRef<HTMLDivElement>(null);
  const to = (wipe: number) => useProofChoice.setState({ wipe: Math.min(1, Math.max(0, wipe)) });
  const drag = (e: PointerEvent<HTMLElement>) => {
    e.stopPropagation();
    if (e.type === 'pointerdown') e.currentTarget.setPointerCapture(e.pointerId);
    else if (!e.currentTarget.hasPointerCapture(e.pointerId)) return;
    const box = area.current!.getBoundingClientRect();
    to((e.clientX - box.left) / box.width);
  };
  return (
    <Box ref={area} sx={{ position: 'absolute', inset: 0 }}>
      <Box
        style={{ clipPath: `inset(0 ${100 * (1 - at)}% 0 0)` }}
        sx={{ position: 'absolute', inset: 0 }}
      >
        {children}
      </Box>
      <Tag side="left" text={left} />
      <Tag side="right" text={right} />
      <Box
        role="slider"
        aria-label="Wipe"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(100 * at)}
        tabIndex={0}
        onPointerDown={drag}
        onPointerMove={drag}
        onKeyDown={(e) => {
          const by = e.key === 'ArrowRight' ? 0.02 : e.key === 'ArrowLeft' ? -0.02 : 0;
          if (by !== 0) {
            e.preventDefault();
            to(at + by);
          }
        }}
        style={{ left: `${100 * at}%` }}
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          width: 17,
          ml: '-8.5px',
          pointerEvents: 'auto',
          cursor: 'ew-resize',
          touchAction: 'none',
          '&::before': {
            content: '""',
            position: 'absolute',
            left: 8,
            top: 0,
            bottom: 0,
            width: '1px',
            bgcolor: colours.text,
          },
          '&::after': {
            content: '""',
            position: 'absolute',
            left: 3,
            top: 'calc(50% - 14px)',
            width: 11,
            height: 28,
            borderRadius: 1,
            bgcolor: colours.text,
          },
        }}
      />
    </Box>
  );
}
