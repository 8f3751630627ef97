import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { Operation, ShootDocument, Vector } from '../api/document';
import { useDesk } from '../live/useShoot';
import { KeyMark } from '../motion/KeyMark';
import { NumberField } from './NumberField';
import type { Quantity } from './quantity';

interface NumberProps {
  label: string;
  name?: string;
  /** What the edit is called for undo. */
  edit: string;
  read: (document: ShootDocument) => number;
  write: (document: ShootDocument, value: number) => Operation[];
  quantity: Quantity;
}

/** A number of the shoot, tied to its place in the document. */
export function NumberOf(p: NumberProps) {
  const desk = useDesk();
  const [start] = useState(() => p.read(desk.document));
  const latest = useRef({ p, desk });
  useEffect(() => {
    latest.current = { p, desk };
  });
  // The same from picture to picture, so that only a field whose number changed is drawn again.
  const hands = useMemo(
    () => ({
      onTry: (value: number) => {
        const now = latest.current;
        now.desk.tryOut(now.p.write(now.desk.state.document, value), true);
      },
      onKeep: () => void latest.current.desk.keep(latest.current.p.edit),
      onLeave: () => latest.current.desk.leave(),
    }),
    [],
  );
  const value = p.read(desk.document);
  return (
    <Box
      sx={{
        position: 'relative',
        minWidth: 0,
        '&:hover .key-mark, &:focus-within .key-mark': { opacity: 1 },
      }}
    >
      <NumberField
        label={p.label}
        name={p.name}
        value={value}
        start={start}
        quantity={p.quantity}
        {...hands}
      />
      <KeyMark
        name={p.name ?? p.label}
        writes={() => p.write(desk.document, value === 0 ? 0.5 : value / 2)}
      />
    </Box>
  );
}

interface VectorProps {
  label: string;
  edit: string;
  read: (document: ShootDocument) => Vector;
  write: (document: ShootDocument, value: Vector) => Operation[];
  quantity: Quantity;
}

/** Three numbers along X, Y and Z. */
export function VectorOf(p: VectorProps) {
  return (
    <Box>
      <Typography variant="caption" color="text.secondary">
        {p.label}
      </Typography>
      <Row>
        {(['X', 'Y', 'Z'] as const).map((axis, i) => (
          <NumberOf
            key={axis}
            label={axis}
            name={`${p.label} ${axis}`}
            edit={p.edit}
            read={(d) => p.read(d)[i]!}
            write={(d, value) => p.write(d, p.read(d).with(i, value) as Vector)}
            quantity={p.quantity}
          />
        ))}
      </Row>
    </Box>
  );
}

export function Row({ children }: { children: ReactNode }) {
  return (
    <Box sx={{ display: 'grid', gridAutoFlow: 'column', gridAutoColumns: '1fr', gap: 1.5 }}>
      {children}
    </Box>
  );
}

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mb: 4 }}>
      <Typography variant="subtitle2" component="h3" sx={{ mb: 1.5 }}>
        {title}
      </Typography>
      <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2 }}>{children}</Box>
    </Box>
  );
}
