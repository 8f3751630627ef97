import Box from '@mui/material/Box';
import { useRef, useState } from 'react';
import type { CurvePoint, Grade } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { moved, straight, through, withoutPoint, withPoint } from './curve';
import { useLook } from './useLook';

type Channel = keyof Grade['curves'];

const CHANNELS: { channel: Channel; name: string; colour: string }[] = [
  { channel: 'all', name: 'All', colour: colours.text },
  { channel: 'red', name: 'Red', colour: '#e0655a' },
  { channel: 'green', name: 'Green', colour: '#6fb56a' },
  { channel: 'blue', name: 'Blue', colour: '#6f9be0' },
];

const WIDTH = 264;
const HEIGHT = 150;
const NEAR = 9;

/** Curves of the grade: a click puts a point, dragging moves it, a double click takes it away. */
export function CurveEditor() {
  const desk = useDesk();
  const [channel, setChannel] = useState<Channel>('all');
  const held = useRef<number | null>(null);
  const [inHand, setInHand] = useState(false);
  const { look, set } = useLook(inHand);
  const box = useRef<SVGSVGElement>(null);
  const points = look.grade.curves[channel];
  const shown = points.length === 0 ? straight : points;
  const { colour } = CHANNELS.find((c) => c.channel === channel)!;
  const write = (next: CurvePoint[]) => set(desk.state.document, `grade/curves/${channel}`, next);
  const at = (e: React.PointerEvent | React.MouseEvent) => {
    const r = box.current!.getBoundingClientRect();
    return { x: (e.clientX - r.left) / r.width, y: 1 - (e.clientY - r.top) / r.height };
  };
  const near = (x: number, y: number) => {
    const far = shown.map((p) => Math.hypot((p.x - x) * WIDTH, (p.y - y) * HEIGHT));
    const least = Math.min(...far);
    return least < NEAR ? far.indexOf(least) : -1;
  };
  const down = (e: React.PointerEvent<SVGSVGElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const { x, y } = at(e);
    let i = near(x, y);
    if (i < 0) {
      const more = withPoint(points, x, y);
      i = more.findIndex((p) => Math.abs(p.x - x) < 0.002);
      if (i < 0) return;
      desk.tryOut(write(more), true);
    }
    setInHand(true);
    held.current = i;
  };
  const move = (e: React.PointerEvent) => {
    if (held.current === null) return;
    const { x, y } = at(e);
    if (held.current < shown.length) desk.tryOut(write(moved(shown, held.current, x, y)), true);
  };
  const up = () => {
    if (held.current !== null) {
      void desk.keep(`Curve of ${look.name}`).finally(() => setInHand(false));
    }
    held.current = null;
  };
  const away = (e: React.MouseEvent) => {
    const { x, y } = at(e);
    const i = near(x, y);
    if (i >= 0 && points.length > 0) {
      void desk.keep(`Curve of ${look.name}`, write(withoutPoint(points, i)));
    }
  };
  const line = Array.from({ length: 89 }, (_, i) => {
    const x = i / 88;
    return `${x * WIDTH},${HEIGHT * (1 - through(points, x))}`;
  });
  return (
    <Box>
      <Box role="tablist" aria-label="Channel of the curve" sx={{ display: 'flex', gap: 0.5 }}>
        {CHANNELS.map((c) => (
          <Box
            key={c.channel}
            component="button"
            type="button"
            role="tab"
            aria-selected={c.channel === channel}
            onClick={() => setChannel(c.channel)}
            sx={{
              border: 'none',
              borderRadius: 1,
              px: 1.5,
              py: 0.5,
              font: 'inherit',
              fontSize: 11,
              cursor: 'pointer',
              color: c.channel === channel ? c.colour : colours.quiet,
              bgcolor: c.channel === channel ? colours.control : 'transparent',
              textDecoration: look.grade.curves[c.channel].length > 0 ? 'underline' : 'none',
            }}
          >
            {c.name}
          </Box>
        ))}
      </Box>
      <svg
        ref={box}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label={`Curve, ${channel}: a click puts a point, a double click takes it away`}
        data-testid="grade-curve"
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        onDoubleClick={away}
        style={{
          display: 'block',
          background: colours.raised,
          borderRadius: 4,
          cursor: 'crosshair',
          touchAction: 'none',
        }}
      >
        {[0.25, 0.5, 0.75].map((v) => (
          <g key={v} stroke={colours.line}>
            <line x1={v * WIDTH} x2={v * WIDTH} y1={0} y2={HEIGHT} />
            <line x1={0} x2={WIDTH} y1={v * HEIGHT} y2={v * HEIGHT} />
          </g>
        ))}
        <polyline points={line.join(' ')} fill="none" stroke={colour} strokeWidth={1.5} />
        {points.map((p, i) => (
          <circle
            key={i}
            cx={p.x * WIDTH}
            cy={HEIGHT * (1 - p.y)}
            r={4}
            fill={colours.panel}
            stroke={colour}
          />
        ))}
      </svg>
    </Box>
  );
}
