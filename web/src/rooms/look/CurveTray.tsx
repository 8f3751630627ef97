import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect } from 'react';
import { useLive } from '../../live/store';
import { useChannel } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { INKS } from './scopes';
import { useLook } from './useLook';

const FROM = -8;
const TO = 8;
const WIDTH = 640;
const HEIGHT = 130;

/** What greys are shown as, from stops in the scene to display values, as the renderer has it. */
export function CurveTray() {
  const channel = useChannel();
  const { look } = useLook(true);
  const curve = useLive((s) => s.scopes?.curve);
  useEffect(() => {
    channel?.measure('shown');
    return () => channel?.measure('off');
  }, [channel]);
  const steps = curve ? curve.length / 3 - 1 : 0;
  const line = (k: number) =>
    Array.from(
      { length: steps + 1 },
      (_, i) => `${(WIDTH * i) / steps},${HEIGHT * (1 - curve![3 * i + k]!)}`,
    ).join(' ');
  const white = look.highlightRangeStops + Math.log2(1 / 0.18);
  return (
    <Box sx={{ height: '100%', p: 3, display: 'flex', gap: 4 }}>
      <Box sx={{ width: 150, flex: 'none' }}>
        <Typography variant="subtitle2">What greys become</Typography>
        <Typography variant="caption" color="text.secondary">
          Across: stops from mid grey. Up: what the screen shows, with curve, white balance and
          grade. White at +{white.toFixed(1)} stops.
        </Typography>
      </Box>
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <svg
          viewBox={`0 0 ${WIDTH} ${HEIGHT + 16}`}
          width="100%"
          height="100%"
          role="img"
          aria-label="Display curve"
        >
          {Array.from({ length: TO - FROM + 1 }, (_, i) => {
            const x = (WIDTH * i) / (TO - FROM);
            return (
              <g key={i}>
                <line x1={x} x2={x} y1={0} y2={HEIGHT} stroke={colours.line} />
                <text
                  x={x}
                  y={HEIGHT + 12}
                  fill={colours.quiet}
                  fontSize={10}
                  fontFamily={mono}
                  textAnchor="middle"
                >
                  {FROM + i > 0 ? `+${FROM + i}` : FROM + i}
                </text>
              </g>
            );
          })}
          <rect width={WIDTH} height={HEIGHT} fill="none" stroke={colours.line} />
          <line
            x1={(WIDTH * (white - FROM)) / (TO - FROM)}
            x2={(WIDTH * (white - FROM)) / (TO - FROM)}
            y1={0}
            y2={HEIGHT}
            stroke={colours.ember}
            strokeDasharray="3 3"
          />
          {curve &&
            [3, 2, 1].map((k) => (
              <polyline
                key={k}
                points={line(k - 1)}
                fill="none"
                stroke={`rgb(${INKS[k]!.join(' ')})`}
                strokeWidth={1.5}
                style={{ mixBlendMode: 'screen' }}
              />
            ))}
        </svg>
      </Box>
    </Box>
  );
}
