import Box from '@mui/material/Box';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { memo, useEffect, useRef, useState } from 'react';
import { useLive, type Scopes, type ScopesOf } from '../../live/store';
import { useChannel } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { INKS, vectorscope, waveform } from './scopes';

/** The scopes of what is measured, once there are some. */
function useScopes(of: ScopesOf): Scopes | null {
  return useLive((s) => (s.scopes?.of === of ? s.scopes : null));
}

/** Histogram, waveform, parade and vectorscope of what is shown, or of the light before the look. */
export function ScopesTray() {
  const channel = useChannel();
  const [of, setOf] = useState<ScopesOf>('shown');
  useEffect(() => {
    channel?.measure(of);
    return () => channel?.measure('off');
  }, [channel, of]);
  // What follows every picture is drawn for itself; the rest stands still.
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
        <Figures of={of} />
      </Box>
      <Scope name="Histogram" flex={1}>
        <Histogram of={of} />
      </Scope>
      <Scope name="Waveform" flex={1.2}>
        <Drawing key={of} of={of} name="Waveform" draw={drawLuma} />
        <Lines of={of} />
      </Scope>
      <Scope name="Red, green, blue" flex={1.4}>
        <Drawing key={of} of={of} name="Parade of red, green and blue" draw={drawParade} />
        <Lines of={of} />
      </Scope>
      <Box sx={{ width: 158, flex: 'none' }}>
        <Caption>Vectorscope</Caption>
        <Vectors of={of} />
      </Box>
    </Box>
  );
}

function Figures({ of }: { of: ScopesOf }) {
  const scopes = useScopes(of);
  return (
    <>
      <Box component="dl" sx={{ m: 0, mt: 2, fontSize: 11, color: colours.quiet }}>
        <Figure
          name={of === 'shown' ? 'Burnt out' : 'Above the scale'}
          value={scopes?.clippedPercent}
        />
        <Figure name={of === 'shown' ? 'Black' : 'Below the scale'} value={scopes?.blackPercent} />
      </Box>
      <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 1 }}>
        {of === 'shown'
          ? 'Display values, 0 to 100 %.'
          : scopes && `Stops from mid grey, ${scopes.leastStops} to +${scopes.mostStops}.`}
      </Typography>
    </>
  );
}

const Figure = memo(function Figure({ name, value }: { name: string; value?: number }) {
  return (
    <Box sx={{ display: 'flex', justifyContent: 'space-between' }}>
      <dt>{name}</dt>
      <Box component="dd" sx={{ m: 0, fontFamily: mono, color: colours.text }}>
        {value === undefined ? '–' : `${value.toFixed(value < 10 ? 1 : 0)} %`}
      </Box>
    </Box>
  );
});

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
  children: React.ReactNode;
}

function Scope({ name, flex, children }: ScopeProps) {
  return (
    <Box sx={{ flex, minWidth: 0, display: 'flex', flexDirection: 'column' }}>
      <Caption>{name}</Caption>
      <Box
        sx={{ flex: 1, minHeight: 0, position: 'relative', bgcolor: '#141414', borderRadius: 1 }}
      >
        {children}
      </Box>
    </Box>
  );
}

/** Lines at quarters of the display's range, or every two stops. */
const Lines = memo(function Lines({ of }: { of: ScopesOf }) {
  const leastStops = useLive((s) => s.scopes?.leastStops ?? 0);
  const mostStops = useLive((s) => s.scopes?.mostStops ?? 1);
  const there = useLive((s) => s.scopes?.of === of);
  if (!there) return null;
  const marks =
    of === 'shown'
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
});

function Histogram({ of }: { of: ScopesOf }) {
  const scopes = useScopes(of);
  if (!scopes) return null;
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

type Drawn = ReturnType<typeof waveform>;

/** A canvas that every measure is drawn on as it comes, without the page being drawn anew. */
function Drawing(p: { of: ScopesOf; name: string; draw: (scopes: Scopes) => Drawn }) {
  const { of, draw } = p;
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    let last: Scopes | null = null;
    const paint = () => {
      const { scopes } = useLive.getState();
      const node = canvas.current;
      if (!node || scopes === last) return;
      last = scopes;
      if (scopes?.of !== of) return;
      const { width, height, rgba } = draw(scopes);
      if (node.width !== width) node.width = width;
      if (node.height !== height) node.height = height;
      node.getContext('2d')?.putImageData(new ImageData(rgba, width, height), 0, 0);
    };
    paint();
    return useLive.subscribe(paint);
  }, [of, draw]);
  return (
    <canvas
      ref={canvas}
      role="img"
      aria-label={p.name}
      style={{ position: 'absolute', inset: 0, width: '100%', height: '100%' }}
    />
  );
}

const drawLuma = (scopes: Scopes) => waveform(scopes, [0], false);
const drawParade = (scopes: Scopes) => waveform(scopes, [1, 2, 3], true);
const drawVectors = (scopes: Scopes) => ({
  width: scopes.levels,
  height: scopes.levels,
  rgba: vectorscope(scopes),
});

function Vectors({ of }: { of: ScopesOf }) {
  if (!useLive((s) => s.scopes?.of === of)) return null;
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
      <Drawing key={of} of={of} name="Vectorscope" draw={drawVectors} />
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
