import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, useCallback, useEffect, useRef, useState, type PointerEvent } from 'react';
import { onNextPicture, cancelNextPicture } from '../live/nextPicture';
import { colours, mono } from '../theme/theme';
import { clampTo, formatQuantity, parseQuantity, stepped, type Quantity } from './quantity';

interface Props {
  label: string;
  /** Spoken name where the label alone is not enough. */
  name?: string;
  value: number;
  /** Value at the start, for the dot and the double click. */
  start?: number;
  quantity: Quantity;
  onTry: (value: number) => void;
  onKeep: () => void;
  onLeave: () => void;
}

const PIXELS_A_NOTCH = 4;
const WHEEL_REST_MILLIS = 400;
const LET_MILLIS = 1000;

/** A number that is dragged, wheeled, typed with units, stepped by arrows, or set back. */
export const NumberField = memo(function NumberField(p: Props) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const drag = useRef<{ x: number; value: number; now: number; moved: boolean } | null>(null);
  /** Where the hand has got to, until the document has it. */
  const [held, setHeld] = useState<{ value: number; let: boolean } | null>(null);
  const [known, setKnown] = useState(p.value);
  if (known !== p.value) {
    setKnown(p.value);
    if (held?.let) setHeld(null);
  }
  const box = useRef<HTMLDivElement>(null);
  /** Where the wheel has got to, before the document follows. */
  const wheeled = useRef<number | null>(null);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  const latest = useRef(p);
  useEffect(() => {
    latest.current = p;
  });

  /** Shows where dragging has got to. */
  const follow = useCallback(() => {
    if (drag.current) setHeld({ value: drag.current.now, let: false });
  }, []);

  /** From now on the document says the value; at the latest in a moment, should it be refused. */
  const letGo = useCallback(() => {
    setHeld((h) => h && { ...h, let: true });
    setTimeout(() => setHeld((h) => (h?.let ? null : h)), LET_MILLIS);
  }, []);

  useEffect(() => {
    const node = box.current;
    const wheel = (event: WheelEvent) => {
      if (document.activeElement !== input.current) return;
      event.preventDefault();
      const now = latest.current;
      const from = wheeled.current ?? now.value;
      wheeled.current = stepped(from, -Math.sign(event.deltaY), now.quantity, event.shiftKey);
      setHeld({ value: wheeled.current, let: false });
      now.onTry(wheeled.current);
      clearTimeout(rest.current);
      rest.current = setTimeout(() => {
        wheeled.current = null;
        latest.current.onKeep();
        letGo();
      }, WHEEL_REST_MILLIS);
    };
    node?.addEventListener('wheel', wheel, { passive: false });
    return () => node?.removeEventListener('wheel', wheel);
  }, [letGo]);

  const input = useRef<HTMLInputElement>(null);
  const changed = p.start !== undefined && Math.abs(p.value - p.start) > 1e-9;

  const take = () => {
    if (text === null) return;
    const value = parseQuantity(text, p.quantity);
    if (value === null || value < p.quantity.least || value > p.quantity.most) {
      setWrong(true);
      return;
    }
    setText(null);
    setWrong(false);
    if (value !== p.value) {
      p.onTry(value);
      p.onKeep();
    }
  };

  const step = (notches: number, fine: boolean) => {
    setText(null);
    p.onTry(stepped(p.value, notches, p.quantity, fine));
    p.onKeep();
  };

  const pointer = {
    onPointerDown: (e: PointerEvent) => {
      if (e.button !== 0) return;
      drag.current = { x: e.clientX, value: p.value, now: p.value, moved: false };
      e.currentTarget.setPointerCapture(e.pointerId);
    },
    onPointerMove: (e: PointerEvent) => {
      const from = drag.current;
      if (!from) return;
      const notches = Math.round((e.clientX - from.x) / PIXELS_A_NOTCH);
      // A click with a hand that is not quite still changes nothing.
      if (!from.moved && notches === 0) return;
      const value = stepped(from.value, notches, p.quantity, e.shiftKey);
      if (value === from.now) return;
      from.moved = true;
      from.now = value;
      onNextPicture(follow);
      p.onTry(value);
    },
    onPointerUp: () => {
      if (drag.current?.moved) {
        cancelNextPicture(follow);
        follow();
        p.onKeep();
        letGo();
      } else input.current?.focus();
      drag.current = null;
    },
    onDoubleClick: () => {
      if (p.start === undefined) return;
      p.onTry(clampTo(p.start, p.quantity));
      p.onKeep();
    },
  };

  return (
    <Box ref={box} sx={{ minWidth: 0 }}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', cursor: 'ew-resize' }} {...pointer}>
        <Typography variant="caption" color="text.secondary" noWrap sx={{ userSelect: 'none' }}>
          {p.label}
        </Typography>
        {changed && (
          <Tooltip title={`Was ${formatQuantity(p.start!, p.quantity)} ${p.quantity.unit}`}>
            <Box
              role="img"
              aria-label={`${p.label} was ${formatQuantity(p.start!, p.quantity)}`}
              sx={{ width: 6, height: 6, borderRadius: 3, bgcolor: 'primary.main' }}
            />
          </Tooltip>
        )}
      </Box>
      <Box
        sx={{
          display: 'flex',
          alignItems: 'center',
          bgcolor: colours.control,
          borderRadius: 1,
          border: `1px solid ${wrong ? colours.error : 'transparent'}`,
          height: 26,
          px: 1.5,
        }}
      >
        <Box
          component="input"
          ref={input}
          aria-label={p.name ?? p.label}
          aria-invalid={wrong}
          value={text ?? formatQuantity(held?.value ?? p.value, p.quantity)}
          onChange={(e: React.ChangeEvent<HTMLInputElement>) => {
            setText(e.target.value);
            setWrong(false);
          }}
          onFocus={(e: React.FocusEvent<HTMLInputElement>) => e.target.select()}
          onBlur={() => {
            take();
            setText(null);
            setWrong(false);
          }}
          onKeyDown={(e: React.KeyboardEvent) => {
            e.stopPropagation();
            if (e.key === 'Enter') take();
            else if (e.key === 'Escape') {
              setText(null);
              setWrong(false);
              p.onLeave();
            } else if (e.key === 'ArrowUp') {
              e.preventDefault();
              step(1, e.shiftKey);
            } else if (e.key === 'ArrowDown') {
              e.preventDefault();
              step(-1, e.shiftKey);
            }
          }}
          sx={{
            all: 'unset',
            flex: 1,
            minWidth: 0,
            width: 0,
            fontFamily: mono,
            fontSize: 12,
            color: colours.text,
          }}
        />
        <Typography variant="caption" color="text.secondary" sx={{ ml: 1 }}>
          {p.quantity.unit}
        </Typography>
      </Box>
      {wrong && (
        <Typography variant="caption" color="error" role="alert">
          {`${formatQuantity(p.quantity.least, p.quantity)} to ${formatQuantity(p.quantity.most, p.quantity)} ${p.quantity.unit}`}
        </Typography>
      )}
    </Box>
  );
});
