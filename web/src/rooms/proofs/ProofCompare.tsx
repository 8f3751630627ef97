import Box from '@mui/material/Box';
import { useEffect, useRef, useState, type PointerEvent } from 'react';
import { api } from '../../api/client';
import { useLoaded } from '../../controls/useLoaded';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { useLivePicture } from '../../picture/useLivePicture';
import { colours, mono } from '../../theme/theme';
import { useProofChoice, useProofs } from './useProofs';

/**
 * A proof over the picture: wiped over it or over another proof, beside it, or alone while B is
 * held, when the newest is shown in other rooms.
 */
export function ProofCompare() {
  const room = useChoice((c) => c.room);
  const { proof, against, mode, flipped } = useProofChoice();
  const { state } = useDesk();
  const { data = [] } = useProofs();
  const inRoom = room === 'proofs';
  const left = data.find((p) => p.id === proof) ?? (flipped ? data.at(-1) : undefined);
  if (!left || !(inRoom || flipped)) return null;
  const own = <Still src={api.proofPictureUrl(left.id)} name={left.name} />;
  if (flipped) return own;
  const right = data.find((p) => p.id === against && p.id !== left.id);
  const developed = against === 'developed' && left.layerBytes > 0;
  const measured = left.layerBytes > 0 && !developed && (!right || right.layerBytes > 0);
  if (mode === 'difference' && measured) return <Difference proof={left.id} other={right?.id} />;
  const title = developed ? 'Set as now' : (right?.name ?? 'Now');
  const other = developed ? (
    <Made src={api.proofDevelopedUrl(left.id, state.revision)} name={title} />
  ) : right ? (
    <Still src={api.proofPictureUrl(right.id)} name={right.name} />
  ) : null;
  if (mode === 'beside') {
    return (
      <Box sx={{ position: 'absolute', inset: 0, display: 'flex', bgcolor: colours.surround }}>
        <Half title={left.name}>{own}</Half>
        <Half title={title}>{other ?? <LiveCopy />}</Half>
      </Box>
    );
  }
  return (
    <>
      {other}
      <Wipe left={left.name} right={title}>
        {own}
      </Wipe>
    </>
  );
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

function Still({ src, name }: { src: string; name: string }) {
  return (
    <Box
      component="img"
      alt={name}
      src={src}
      draggable={false}
      sx={{ position: 'absolute', inset: 0, width: '100%', height: '100%', objectFit: 'fill' }}
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
