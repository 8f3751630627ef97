import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { useLive, type Scopes, type ScopesOf } from '../../live/store';
import { useChannel } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { INKS, vectorscope, waveform } from './scopes';

/** Histogram, waveform, parade and vectorscope of what is shown, or of the light before the look. */
export function ScopesTray() {
  const channel = useChannel();
  const scopes = useLive((s) => s.scopes);
  const [of, setOf] = useState<ScopesOf>('shown');
  useEffect(() => {
    channel?.measure(of);
    return () => channel?.measure('off');
  }, [channel, of]);
  const right = scopes?.of === of ? scopes : null;
  return (
    <Box sx={{ display: 'flex', gap: 2, p: 2, height: '100%', minWidth: 0 }}>
      <Box sx={{ width: 118, flex: 'none' }}>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={of}
          aria-label="What the scopes measure"
          onChange={(_, next: ScopesOf | null) => next && setOf(next)}
          sx={{ '& button': { py: 0.25, px: 1.5, fontSize: 11 } }}
        >
          <ToggleButton value="shown">Shown</ToggleButton>
          <ToggleButton value="light">Light</ToggleButton>
        </ToggleButtonGroup>
        <Box component="dl" sx={{ m: 0, mt: 2, fontSize: 11, color: colours.quiet }}>
          <Figure
            name={of === 'shown' ? 'Burnt out' : 'Above the scale'}
            value={right?.clippedPercent}
          />
          <Figure name={of === 'shown' ? 'Black' : 'Below the scale'} value={right?.blackPercent} />
        </Box>
        <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 1 }}>
          {of === 'shown'
            ? 'Display values, 0 to 100 %.'
            : right && `Stops from mid grey, ${right.leastStops} to +${right.mostStops}.`}
        </Typography>
      </Box>
      <Scope name="Histogram" flex={1}>
        {right && <Histogram scopes={right} />}
      </Scope>
      <Scope name="Waveform" flex={1.2} scale={right}>
        {right && <Wave scopes={right} channels={[0]} />}
      </Scope>
      <Scope name="Red, green, blue" flex={1.4} scale={right}>
        {right && <Wave scopes={right} channels={[1, 2, 3]} />}
      </Scope>
      <Box sx={{ width: 158, flex: 'none' }}>
        <Caption>Vectorscope</Caption>
        {right && <Vectors scopes={right} />}
      </Box>
    </Box>
  );
}

function Figure({ name, value }: { name: string; value?: number }) {
  return (
    <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
      <dt>{name}</dt>
      <Box component="dd" sx={{ m: 0, fontFamily: mono, color: colours.text }}>
        {value === undefined ? '–' : `${value.toFixed(value < 10 ? 1 : 0)} %`}
      </Box>
    </Box>
  );
}

function Caption({ children }: { children: React.ReactNode }) {
  return (
    <Typography variant="caption" color="text.secondary" component="div" sx={{ mb: 0.5 }}>
      {children}
    </Typography>
  );
}

interface ScopeProps {
  name: string;
  flex: number;
  scale?: Scopes | null;
  children: React.ReactNode;
}

function Scope({ name, flex, scale, children }: ScopeProps) {
  return (
    <Box sx={{ flex, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
      <Caption>{name}</Caption>
      <Box
        sx={{ flex: 1, minHeight: 0, position: 'relative', bgcolor: '#141414', borderRadius: 1 }}
      >
        {children}
        {scale && <Lines scopes={scale} />}
      </Box>
    </Box>
  );
}

/** Lines at quarters of the display's range, or every two stops. */
function Lines({ scopes }: { scopes: Scopes }) {
  const { leastStops, mostStops } = scopes;
  const marks =
    scopes.of === 'shown'
      ? [0, 25, 50, 75, 100].map((v) => ({ at: v / 100, text: `${v}` }))
      : [-8, -4, 0, 4].map((v) => ({
          at: (v - leastStops) / (mostStops - leastStops),
          text: v > 0 ? `+${v}` : `${v}`,
        }));
  return (
    <Box aria-hidden sx={{ position: 'absolute', inset: 0, pointerEvents: 'none' }}>
      {marks.map((m) => (
        <Box
          key={m.text}
          sx={{
            position: 'absolute',
            left: 0,
            right: 0,
            // The label stands under its line, at the foot of the scale above it.
            top: m.at > 0 ? `${100 * (1 - m.at)}%` : 'auto',
            bottom: m.at > 0 ? 'auto' : 0,
            borderTop: m.at > 0 && m.at < 1 ? '1px solid #ffffff1c' : 'none',
            fontFamily: mono,
            fontSize: 9,
            lineHeight: 1.2,
            color: '#ffffff80',
            pl: 0.5,
          }}
        >
          {m.text}
        </Box>
      ))}
    </Box>
  );
}

function Histogram({ scopes }: { scopes: Scopes }) {
  const { levels, histogram } = scopes;
  const area = (channel: number) => {
    const line = Array.from(
      { length: levels },
      (_, i) => `${i + 0.5},${100 - 98 * Math.sqrt(histogram[channel * levels + i]!)}`,
    );
    return `0,100 ${line.join(' ')} ${levels},100`;
  };
  return (
    <svg
      viewBox={`0 0 ${levels} 100`}
      preserveAspectRatio="none"
      role="img"
      aria-label="Histogram"
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
    >
      {[1, 2, 3].map((channel) => (
        <polygon
          key={channel}
          points={area(channel)}
          fill={`rgb(${INKS[channel]!.join(' ')} / 0.45)`}
          style={{ mixBlendMode: 'screen' }}
        />
      ))}
      <polyline
        points={area(0)}
        fill="none"
        stroke="#dcdcdc"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
}

function paint(
  canvas: HTMLCanvasElement | null,
  width: number,
  height: number,
  rgba: Uint8ClampedArray<ArrayBuffer>,
) {
  if (!canvas) return;
  canvas.width = width;
  canvas.height = height;
  canvas.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
}

function Wave({ scopes, channels }: { scopes: Scopes; channels: number[] }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const drawn = waveform(scopes, channels, channels.length > 1);
    paint(canvas.current, drawn.width, drawn.height, drawn.rgba);
  });
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={channels.length > 1 ? 'Parade of red, green and blue' : 'Waveform'}
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
    />
  );
}

function Vectors({ scopes }: { scopes: Scopes }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    paint(canvas.current, scopes.levels, scopes.levels, vectorscope(scopes));
  });
  return (
    <Box
      sx={{
        position: 'relative',
        width: 154,
        height: 154,
        borderRadius: '50%',
        overflow: 'hidden',
        bgcolor: '#141414',
      }}
    >
      <canvas
        ref={canvas}
        role="img"
        aria-label="Vectorscope"
        style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
      />
      <svg viewBox="-1 -1 2 2" aria-hidden style={{ position: 'absolute', inset: 0 }}>
        <g stroke="#ffffff28" strokeWidth={0.01} fill="none">
          <line x1={-1} x2={1} y1={0} y2={0} />
          <line x1={0} x2={0} y1={-1} y2={1} />
          <circle r={0.5} />
          <circle r={0.99} />
        </g>
      </svg>
    </Box>
  );
}
