import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, type DragEvent } from 'react';
import type { Light } from '../api/document';
import { formatStops } from '../controls/quantity';
import { colours, mono, sizes } from '../theme/theme';
import { Fader } from './Fader';
import { kelvinChip } from './kelvin';
import { LevelKey } from './LevelKey';
import { LightMark } from './LightMark';
import { Toggle } from './Toggle';

interface Props {
  light: Light;
  chosen: boolean;
  /** Share of the picture that the light gives now, 0…1. */
  share: number;
  /** It is linked to less than everything. */
  linked: boolean;
  /** Another light is soloed, so this one gives nothing. */
  silenced: boolean;
  thumbnail: string | null;
  hands: StripHands;
}

/** What a strip does to its light; the same object from picture to picture. */
export interface StripHands {
  choose: (light: Light) => void;
  level: (light: Light, stops: number) => void;
  keepLevel: (light: Light) => void;
  mute: (light: Light) => void;
  solo: (light: Light) => void;
  /** Puts a light that was dragged here into one bank with this one. */
  join: (dragged: string, light: Light) => void;
}

/** One upright strip of the light desk. */
export const Strip = memo(function Strip(p: Props) {
  const { light, hands } = p;
  const dark = light.muted || p.silenced;
  /** What a strip is dragged by, into a bank. */
  const grip = {
    draggable: true,
    onDragStart: (e: DragEvent) => e.dataTransfer.setData('text/plain', light.id),
  };
  return (
    <Box
      role="group"
      aria-label={light.name}
      data-light={light.id}
      aria-current={p.chosen}
      onPointerDownCapture={() => hands.choose(light)}
      onDragOver={(e) => e.preventDefault()}
      onDrop={(e) => hands.join(e.dataTransfer.getData('text/plain'), light)}
      sx={{
        width: sizes.strip,
        flex: 'none',
        height: '100%',
        display: 'flex',
        flexDirection: 'column',
        bgcolor: p.chosen ? colours.control : colours.raised,
        border: `1px solid ${p.chosen ? colours.ember : colours.line}`,
        borderRadius: 1.5,
        overflow: 'hidden',
      }}
    >
      <Box
        {...grip}
        sx={{
          height: 42,
          bgcolor: '#111',
          opacity: dark ? 0.35 : 1,
          position: 'relative',
          cursor: 'grab',
        }}
      >
        {p.thumbnail && (
          <img
            src={p.thumbnail}
            alt={`What ${light.name} gives by itself`}
            draggable={false}
            style={{ width: '100%', height: '100%', objectFit: 'cover', display: 'block' }}
          />
        )}
      </Box>
      <Tooltip title={`${light.name} gives ${(100 * p.share).toFixed(1)} % of the picture`}>
        <Box sx={{ height: 4, bgcolor: '#111' }}>
          <Box
            sx={{ height: 4, width: `${Math.min(100, 100 * p.share)}%`, bgcolor: colours.ember }}
          />
        </Box>
      </Tooltip>
      <Box
        {...grip}
        sx={{
          px: 1.5,
          pt: 0.5,
          cursor: 'grab',
          display: 'flex',
          alignItems: 'center',
          gap: 1,
          color: colours.quiet,
        }}
      >
        <LightMark kind={light.emitter.kind} />
        <Typography variant="caption" noWrap sx={{ color: colours.text }} title={light.name}>
          {light.name}
        </Typography>
        {p.linked && (
          <Box
            component="span"
            role="img"
            aria-label="linked to less than everything"
            title="Linked to less than everything"
            sx={{ ml: 'auto', fontSize: 10, color: colours.warning }}
          >
            ◐
          </Box>
        )}
      </Box>
      <Box sx={{ flex: 1, minHeight: 0, display: 'flex', px: 1, pb: 1 }}>
        <Fader
          name={light.name}
          value={light.levelStops}
          onTry={(stops) => hands.level(light, stops)}
          onKeep={() => hands.keepLevel(light)}
        />
        <Box
          sx={{
            flex: 1,
            display: 'flex',
            flexDirection: 'column',
            gap: '3px',
            alignItems: 'stretch',
          }}
        >
          <Box
            sx={{
              position: 'relative',
              fontFamily: mono,
              fontSize: 12,
              textAlign: 'right',
              '&:hover .key-mark': { opacity: 1 },
            }}
          >
            <span data-testid="level">{formatStops(light.levelStops)}</span>
            <LevelKey id={light.id} name={light.name} level={light.levelStops} />
          </Box>
          <Box
            data-testid="share"
            sx={{ fontFamily: mono, fontSize: 10, textAlign: 'right', color: colours.quiet }}
          >
            {(100 * p.share).toFixed(p.share < 0.0995 ? 1 : 0)} %
          </Box>
          <Box
            sx={{ display: 'flex', alignItems: 'center', justifyContent: 'flex-end', gap: '3px' }}
          >
            <Box
              aria-hidden
              sx={{
                width: 8,
                height: 8,
                borderRadius: 4,
                bgcolor: kelvinChip(light.colour.kelvin),
              }}
            />
            <Box sx={{ fontFamily: mono, fontSize: 10, color: colours.quiet }}>
              {Math.round(light.colour.kelvin)}
            </Box>
          </Box>
          <Box sx={{ flex: 1 }} />
          <Box sx={{ display: 'flex', gap: '3px' }}>
            <Toggle on={light.muted} name={`Mute ${light.name}`} onClick={() => hands.mute(light)}>
              M
            </Toggle>
            <Toggle on={light.solo} name={`Solo ${light.name}`} onClick={() => hands.solo(light)}>
              S
            </Toggle>
          </Box>
        </Box>
      </Box>
    </Box>
  );
});
