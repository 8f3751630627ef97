import Box from '@mui/material/Box';
import { useState } from 'react';
import type { Operation, ShootDocument, Vector } from '../api/document';
import { useDesk, useTried } from '../live/useShoot';
import { colours } from '../theme/theme';
import { fromCode, toCode } from './colourCode';
import { NumberOf, Row } from './FieldOf';
import { quantities } from './quantity';

interface Props {
  label: string;
  edit: string;
  read: (document: ShootDocument) => Vector;
  write: (document: ShootDocument, value: Vector) => Operation[];
}

/** A colour: a swatch to choose by eye, and its linear red, green and blue. */
export function ColourOf({ label, edit, read, write }: Props) {
  const desk = useDesk();
  const [inHand, setInHand] = useState(false);
  const tried = useTried(inHand);
  return (
    <Box sx={{ display: 'flex', alignItems: 'end', gap: 1.5 }}>
      <Box
        component="input"
        type="color"
        aria-label={label}
        title={label}
        value={toCode(read(tried))}
        onFocus={() => setInHand(true)}
        onInput={(e: React.FormEvent<HTMLInputElement>) =>
          desk.tryOut(write(desk.state.document, fromCode(e.currentTarget.value)), true)
        }
        onBlur={() => void desk.keep(edit).finally(() => setInHand(false))}
        sx={{
          width: 28,
          height: 28,
          p: 0,
          flex: 'none',
          border: `1px solid ${colours.line}`,
          borderRadius: 1,
          bgcolor: 'transparent',
          cursor: 'pointer',
          '&::-webkit-color-swatch-wrapper': { p: 0 },
          '&::-webkit-color-swatch': { border: 'none', borderRadius: '3px' },
        }}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Row>
          {(['Red', 'Green', 'Blue'] as const).map((name, i) => (
            <NumberOf
              key={name}
              label={i === 0 ? label : name}
              name={`${label}, ${name.toLowerCase()}`}
              edit={edit}
              read={(d) => read(d)[i]!}
              write={(d, v) => write(d, read(d).with(i, v) as Vector)}
              quantity={quantities.share}
            />
          ))}
        </Row>
      </Box>
    </Box>
  );
}
