import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { Operation, Piece, ShootDocument, Showing } from '../../api/document';
import { Section } from '../../controls/FieldOf';
import { useDesk } from '../../live/useShoot';

const KINDS: [keyof Showing, string][] = [
  ['camera', 'The camera'],
  ['reflection', 'Reflections'],
  ['refraction', 'Through glass'],
  ['shadow', 'Casts shadows'],
  ['bounce', 'Bounced light'],
  ['catcher', 'Shadow catcher'],
];

/** What a piece shows to. */
export function ShowingDetails({
  piece,
  set,
}: {
  piece: Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}) {
  const desk = useDesk();
  return (
    <Section title="Shows to">
      <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
        {KINDS.map(([kind, text]) => (
          <FormControlLabel
            key={kind}
            control={
              <Checkbox
                size="small"
                sx={{ p: 0.5 }}
                checked={piece.showing[kind]}
                onChange={(e) =>
                  void desk.keep(
                    `What ${piece.name} shows to`,
                    set(desk.state.document, `showing/${kind}`, e.target.checked),
                  )
                }
              />
            }
            label={text}
            slotProps={{ typography: { sx: { fontSize: 12 } } }}
          />
        ))}
      </Box>
    </Section>
  );
}
