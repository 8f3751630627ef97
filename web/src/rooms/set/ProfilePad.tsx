import DeleteIcon from '@mui/icons-material/Delete';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import { useRef, useState } from 'react';
import type { Operation, Piece, ShootDocument } from '../../api/document';
import { NumberOf, Row } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import type { Corner } from '../../api/document';
import { cornerNear, edgeNear, fitted, fromPad, toPad, type Fit } from './profile';

interface Props {
  piece: Piece;
  /** The profile as it stands in a document. */
  read: (d: ShootDocument) => Corner[];
  write: (d: ShootDocument, field: string, value: unknown) => Operation[];
  closed: boolean;
}

const WIDTH = 264;
const HEIGHT = 180;
const NEAR = 9;
/** More corners than this are drawn small. */
const CROWDED = 40;

/** The profile that a lathe turns: corners are dragged, a click beside one puts another. */
export function ProfilePad({ piece, read, write, closed }: Props) {
  const desk = useDesk();
  const pad = useRef<SVGSVGElement>(null);
  // Held while the hand is down, so that the drawing does not run away from it.
  const [held, setHeld] = useState<{ corner: number; fit: Fit } | null>(null);
  const [chosen, setChosen] = useState(0);
  const profile = read(desk.document);
  const fit = held?.fit ?? fitted(profile, WIDTH, HEIGHT, closed);
  const at = Math.min(chosen, profile.length - 1);
  const edit = `Profile of ${piece.name}`;
  const place = (e: React.PointerEvent): [number, number] => {
    const r = pad.current!.getBoundingClientRect();
    return [((e.clientX - r.left) / r.width) * WIDTH, ((e.clientY - r.top) / r.height) * HEIGHT];
  };
  const down = (e: React.PointerEvent<SVGSVGElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId);
    const [x, y] = place(e);
    let corner = cornerNear(profile, x, y, fit, NEAR);
    if (corner < 0) {
      corner = edgeNear(profile, x, y, fit, closed) + 1;
      desk.tryOut(write(desk.state.document, '', profile.toSpliced(corner, 0, fromPad(x, y, fit))));
    }
    setHeld({ corner, fit });
    setChosen(corner);
  };
  const move = (e: React.PointerEvent) => {
    if (!held || held.corner >= profile.length) return;
    const [x, y] = place(e);
    desk.tryOut(write(desk.state.document, '', profile.with(held.corner, fromPad(x, y, held.fit))));
  };
  const up = () => {
    if (held) void desk.keep(edit);
    setHeld(null);
  };
  const points = profile.map((c) => toPad(c, fit));
  const line = (closed ? [...points, points[0]!] : points).map((p) => p.join(',')).join(' ');
  return (
    <Box role="group" aria-label="Profile" sx={{ display: 'grid', gap: 1.5 }}>
      <svg
        ref={pad}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        width="100%"
        role="img"
        aria-label="Profile: corners are dragged, a click puts another"
        data-testid="profile"
        onPointerDown={down}
        onPointerMove={move}
        onPointerUp={up}
        style={{
          display: 'block',
          background: colours.raised,
          borderRadius: 4,
          cursor: 'crosshair',
          touchAction: 'none',
        }}
      >
        <line
          x1={fit.left}
          x2={fit.left}
          y1={0}
          y2={HEIGHT}
          stroke={colours.quiet}
          strokeDasharray="6 3 1 3"
        />
        <polyline points={line} fill="none" stroke={colours.text} strokeWidth={1.5} />
        {points.map(([x, y], i) => (
          <circle
            key={i}
            cx={x}
            cy={y}
            r={i === at ? 5 : points.length > CROWDED ? 1.8 : 3.5}
            fill={i === at ? colours.ember : colours.panel}
            stroke={i === at ? colours.ember : colours.text}
          />
        ))}
      </svg>
      <Box sx={{ display: 'flex', alignItems: 'end', gap: 1 }}>
        <Box sx={{ flex: 1 }}>
          <Row>
            <NumberOf
              label={`Radius ${at + 1}`}
              edit={edit}
              read={(d) => read(d)[at]?.radius ?? 0}
              write={(d, v) => write(d, `/${at}/radius`, v)}
              quantity={{ ...quantities.length, least: 0 }}
            />
            <NumberOf
              label={`Height ${at + 1}`}
              edit={edit}
              read={(d) => read(d)[at]?.height ?? 0}
              write={(d, v) => write(d, `/${at}/height`, v)}
              quantity={quantities.metres}
            />
          </Row>
        </Box>
        <IconButton
          aria-label={`Take corner ${at + 1} out`}
          disabled={profile.length < 3}
          onClick={() =>
            void desk.keep(edit, write(desk.state.document, '', profile.toSpliced(at, 1)))
          }
        >
          <DeleteIcon fontSize="inherit" />
        </IconButton>
      </Box>
    </Box>
  );
}
