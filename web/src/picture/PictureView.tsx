import FitScreenIcon from '@mui/icons-material/FitScreen';
import LockIcon from '@mui/icons-material/Lock';
import LockOpenIcon from '@mui/icons-material/LockOpen';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useEffect, useRef, useState } from 'react';
import { api } from '../api/client';
import type { Material } from '../api/document';
import { disarm, useChoice } from '../frame/choice';
import { typing } from '../frame/typing';
import { useLive } from '../live/store';
import { say, useChannel, useDesk } from '../live/useShoot';
import { dressed, MATERIAL_TYPE } from '../rooms/set/dress';
import { colours } from '../theme/theme';
import { DraftPicture } from '../motion/DraftPicture';
import { FindingMark } from '../rooms/proofs/look/FindingMark';
import { PinMarks } from '../rooms/proofs/meter/PinMarks';
import { ProofCompare } from '../rooms/proofs/ProofCompare';
import { CropGuide } from './CropGuide';
import { HandleChoice, Handles } from './Handles';
import { LightGhost } from './LightGhost';
import { LightsLegend } from './LightsLegend';
import { LightMarks } from './LightMarks';
import { Readout } from './Readout';
import { StopsLegend } from './StopsLegend';
import { useCameraHand } from './useCameraHand';
import { useLivePicture } from './useLivePicture';
import { useZoom } from './useZoom';

const ASPECT = 16 / 9;
const MOST_WIDTH = 1920;

/** The live picture on its surround, with zoom, pan, the camera's hand and a read-out. */
export function PictureView() {
  const desk = useDesk();
  const channel = useChannel();
  const shown = useLive((s) => s.image !== null);
  const failure = useLive((s) => s.failure);
  const shotId = useChoice((c) => c.shot);
  const place = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const space = useRef(false);
  const [fitted, setFitted] = useState({ width: 0, height: 0 });
  const [locked, setLocked] = useState(false);
  const { zoom, pan, fit } = useZoom(place);
  const shots = desk.document.shots;
  const shot = shots.find((s) => s.id === shotId) ?? shots[0];
  const room = useChoice((c) => c.room);
  const pieceId = useChoice((c) => c.piece);
  const armed = useChoice((c) => c.armed);
  const piece = desk.document.pieces.find((p) => p.id === pieceId);
  const lightId = useChoice((c) => c.light);
  const handled = room === 'set' || (room === 'rig' && !lightId);

  /** Does what is armed with what is pointed at, or chooses it in the Set. */
  const point = async (clientX: number, clientY: number) => {
    const box = canvas.current?.getBoundingClientRect();
    const now = useChoice.getState();
    if (!box || (now.room === 'look' && !now.armed)) return;
    const x = (clientX - box.left) / box.width;
    const y = (clientY - box.top) / box.height;
    const inside = x >= 0 && x <= 1 && y >= 0 && y <= 1;
    try {
      if (now.armed?.take) {
        if (inside) now.armed.take(x, y);
        return;
      }
      if (now.armed && !now.armed.stays) useChoice.setState({ armed: null });
      if (!now.armed && now.room !== 'set') return;
      const at = inside ? await api.at(desk.state.id, x, y) : null;
      if (now.armed) {
        if (at) now.armed.then?.(at);
      } else {
        useChoice.setState({ piece: at?.piece ?? null });
      }
    } catch (error) {
      say(error);
    }
  };
  const { grip, ...hand } = useCameraHand(
    shot,
    locked,
    pan,
    () => space.current,
    (x, y) => void point(x, y),
  );

  useEffect(() => {
    const node = place.current;
    if (!node) return;
    const observer = new ResizeObserver(() => {
      const width = Math.min(node.clientWidth, node.clientHeight * ASPECT);
      setFitted({ width, height: width / ASPECT });
    });
    observer.observe(node);
    return () => observer.disconnect();
  }, []);

  useEffect(() => {
    if (fitted.width < 64) return;
    const timer = setTimeout(() => {
      // Where the browser is zoomed out, no more pixels are traced than the screen has.
      const dots = Math.min(1, window.devicePixelRatio || 1);
      const width = Math.min(MOST_WIDTH, Math.floor((dots * fitted.width) / 16) * 16);
      channel?.resize(width, Math.round(width / ASPECT));
    }, 120);
    return () => clearTimeout(timer);
  }, [fitted, channel]);

  useLivePicture(canvas);

  useEffect(() => {
    const down = (e: KeyboardEvent) => {
      if (typing()) return;
      if (e.key === ' ') {
        space.current = true;
        if (document.activeElement === document.body) e.preventDefault();
      } else if (e.key === '0') {
        fit();
      } else if (e.key === 'Escape') {
        disarm();
      }
    };
    const up = (e: KeyboardEvent) => {
      if (e.key === ' ') space.current = false;
    };
    addEventListener('keydown', down);
    addEventListener('keyup', up);
    return () => {
      removeEventListener('keydown', down);
      removeEventListener('keyup', up);
    };
  }, [fit]);

  /** A material that is let go over a piece dresses it. */
  const drop = async (e: React.DragEvent) => {
    const carried = e.dataTransfer.getData(MATERIAL_TYPE);
    const box = canvas.current?.getBoundingClientRect();
    if (!carried || !box) return;
    e.preventDefault();
    const material = JSON.parse(carried) as Material;
    const x = (e.clientX - box.left) / box.width;
    const y = (e.clientY - box.top) / box.height;
    if (x < 0 || x > 1 || y < 0 || y > 1) return;
    try {
      const at = await api.at(desk.state.id, x, y);
      const under = desk.state.document.pieces.find((p) => p.id === at?.piece);
      if (!under) return;
      await desk.keep(
        `Dress ${under.name} in ${material.name}`,
        dressed(under.id, material, desk.state.document),
      );
      useChoice.setState({ piece: under.id });
    } catch (error) {
      say(error);
    }
  };

  const probe = (e: React.PointerEvent) => {
    hand.onPointerMove(e as React.PointerEvent<HTMLElement>);
    const box = canvas.current?.getBoundingClientRect();
    if (!box || grip) return;
    const x = (e.clientX - box.left) / box.width;
    const y = (e.clientY - box.top) / box.height;
    if (x >= 0 && x <= 1 && y >= 0 && y <= 1) {
      channel?.probe(x, y);
      useChoice.getState().armed?.hover?.(x, y);
    } else useLive.setState({ reading: null });
  };

  return (
    <Box
      ref={place}
      {...hand}
      onPointerMove={probe}
      onDragOver={(e) => {
        if (e.dataTransfer.types.includes(MATERIAL_TYPE)) e.preventDefault();
      }}
      onDrop={(e) => void drop(e)}
      onPointerLeave={() => useLive.setState({ reading: null })}
      sx={{
        position: 'absolute',
        inset: 0,
        bgcolor: colours.surround,
        overflow: 'hidden',
        touchAction: 'none',
        cursor: grip ? 'grabbing' : locked || armed ? 'crosshair' : 'grab',
      }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label={`The picture of ${shot?.name ?? 'the shot'}`}
        style={{
          position: 'absolute',
          left: '50%',
          top: '50%',
          width: fitted.width,
          height: fitted.height,
          transform: `translate(-50%, -50%) translate(${zoom.x}px, ${zoom.y}px) scale(${zoom.scale})`,
          imageRendering: zoom.scale > 2 ? 'pixelated' : 'auto',
          visibility: shown ? 'visible' : 'hidden',
        }}
      />
      <Box
        sx={{
          position: 'absolute',
          left: '50%',
          top: '50%',
          width: fitted.width,
          height: fitted.height,
          transform: `translate(-50%, -50%) translate(${zoom.x}px, ${zoom.y}px) scale(${zoom.scale})`,
          pointerEvents: 'none',
        }}
      >
        <DraftPicture width={fitted.width} height={fitted.height} />
        <ProofCompare />
        {room === 'proofs' && (
          <PinMarks width={fitted.width} height={fitted.height} scale={zoom.scale} />
        )}
        {room === 'proofs' && <FindingMark scale={zoom.scale} />}
        {shot && shot.cropAspect > 0 && <CropGuide aspect={shot.cropAspect} />}
        {room === 'rig' && shot && (
          <LightMarks
            shot={shot}
            canvas={canvas}
            width={fitted.width}
            height={fitted.height}
            scale={zoom.scale}
          />
        )}
        {room === 'rig' && shot && (
          <LightGhost shot={shot} width={fitted.width} height={fitted.height} scale={zoom.scale} />
        )}
        {handled && piece && shot && !armed && (
          <Handles
            piece={piece}
            shot={shot}
            canvas={canvas}
            width={fitted.width}
            height={fitted.height}
            scale={zoom.scale}
          />
        )}
      </Box>
      {handled && piece && !armed && <HandleChoice />}
      {armed && (
        <Box
          role="status"
          sx={{
            position: 'absolute',
            left: 8,
            top: 8,
            px: 2,
            py: 1,
            fontSize: 12,
            bgcolor: '#1f1f1fd0',
            borderRadius: 1.5,
          }}
        >
          {armed.what} · Esc leaves it
        </Box>
      )}
      {!shown && !failure && (
        <Box sx={{ position: 'absolute', inset: 0, display: 'grid', placeItems: 'center' }}>
          The first picture is on its way …
        </Box>
      )}
      {failure && (
        <Alert
          severity="error"
          onPointerDown={(e) => e.stopPropagation()}
          action={
            <Button color="inherit" onClick={() => channel?.again()}>
              Open again
            </Button>
          }
          sx={{ position: 'absolute', left: 16, right: 16, top: 16, zIndex: 2 }}
        >
          The picture stopped: {failure.replace(/\.$/, '')}. The shoot is kept as it is; undo the
          last change or mend what is named, or open it again.
        </Alert>
      )}
      <Box
        onPointerDown={(e) => e.stopPropagation()}
        sx={{
          position: 'absolute',
          right: 8,
          top: 8,
          display: 'flex',
          bgcolor: '#1f1f1fd0',
          borderRadius: 1.5,
        }}
      >
        <Tooltip title={locked ? 'Let the camera move' : 'Hold the camera still'}>
          <IconButton
            aria-label="Hold the camera still"
            aria-pressed={locked}
            onClick={() => setLocked(!locked)}
          >
            {locked ? <LockIcon fontSize="inherit" /> : <LockOpenIcon fontSize="inherit" />}
          </IconButton>
        </Tooltip>
        <Tooltip title="Fit the picture (0)">
          <span>
            <IconButton aria-label="Fit the picture" onClick={fit} disabled={zoom.scale === 1}>
              <FitScreenIcon fontSize="inherit" />
            </IconButton>
          </span>
        </Tooltip>
      </Box>
      <StopsLegend />
      <LightsLegend />
      <Readout />
    </Box>
  );
}
