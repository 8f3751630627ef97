import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDesk } from '../../live/useShoot';
import { useFrames } from '../../motion/frames';
import { useTime } from '../../motion/time';
import { useDraftFrames } from '../../motion/useDraftFrames';
import { AddTrack } from './AddTrack';
import { CurveView } from './CurveView';
import { FrameStrip } from './FrameStrip';
import { useMotion } from './motionChoice';
import { Playhead } from './Playhead';
import { Ruler } from './Ruler';
import { StretchBar } from './StretchBar';
import { NAMES_WIDTH, TrackRows } from './TrackRows';
import { Transport } from './Transport';
import { useTimeScale } from './useTimeScale';
import { useTracks } from './useTracks';

/** Tray of the Motion: tracks with their keys over time, or their curves. */
export function MotionTray() {
  const { motion } = useDesk().document;
  const frame = useTime((t) => t.frame);
  const shown = useMotion((m) => m.shown);
  const { box, scale } = useTimeScale(motion);
  const edit = useTracks();
  const at = scale.x(frame);
  const drafts = useFrames((f) => f.drafts);
  const ready = [...drafts].filter(([, draft]) => draft.fresh).map(([f]) => f);
  useDraftFrames();
  return (
    <Box sx={{ height: '100%', display: 'flex', flexDirection: 'column', minWidth: 0 }}>
      <Transport />
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', minWidth: 0 }}>
        <Box sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
          <Box sx={{ display: 'flex', flex: 'none' }}>
            <Box sx={{ width: NAMES_WIDTH, flex: 'none', px: 1.5, alignSelf: 'end' }}>
              <AddTrack />
            </Box>
            <Box ref={box} sx={{ flex: 1, minWidth: 0, position: 'relative' }}>
              {edit.tracks.length > 0 && <FrameStrip scale={scale} motion={motion} />}
              <Ruler motion={motion} scale={scale} ready={ready} />
              <StretchBar scale={scale} edit={edit} />
              <Playhead x={at} width={scale.width} />
            </Box>
          </Box>
          <Box sx={{ flex: 1, minHeight: 0, overflowY: 'auto', position: 'relative' }}>
            {edit.tracks.length === 0 ? (
              <Typography color="text.secondary" sx={{ p: 2 }}>
                Nothing moves yet. Add a track, or go to any room, move the time above, and set a
                key by the mark at a field.
              </Typography>
            ) : shown === 'keys' ? (
              <TrackRows edit={edit} scale={scale} x={at} />
            ) : (
              <CurveView edit={edit} scale={scale} x={at} />
            )}
          </Box>
        </Box>
      </Box>
    </Box>
  );
}
