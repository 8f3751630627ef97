import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import type { Operation, Piece, ShootDocument, Visibility } from '../../api/document';
import { Section } from '../../controls/FieldOf';
import { useDesk } from '../../live/useShoot';

type Kinds = [keyof Visibility, string][];

const SEEN: Kinds = [
  ['camera', 'Directly'],
  ['reflection', 'In reflections'],
  ['refraction', 'Through glass'],
];
const CASTS: Kinds = [
  ['shadow', 'Shadow'],
  ['bounce', 'Bounced light'],
];
const CATCHES: Kinds = [['shadowCatcher', 'Catches shadows']];

interface Props {
  piece: Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** Where a piece is seen, what it casts, and whether it catches shadows. */
export function VisibilityDetails(p: Props) {
  return (
    <>
      <Section title="Seen">
        <Switches {...p} kinds={SEEN} edit={`Where ${p.piece.name} is seen`} />
      </Section>
      <Section title="Casts">
        <Switches {...p} kinds={CASTS} edit={`What ${p.piece.name} casts`} />
        <Switches {...p} kinds={CATCHES} edit={`${p.piece.name} as a shadow catcher`} />
      </Section>
    </>
  );
}

function Switches({ piece, set, kinds, edit }: Props & { kinds: Kinds; edit: string }) {
  const desk = useDesk();
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr' }}>
      {kinds.map(([kind, text]) => (
        <FormControlLabel
          key={kind}
          control={
            <Checkbox
              size="small"
              sx={{ p: 0.5 }}
              checked={piece.visibility[kind]}
              onChange={(e) =>
                void desk.keep(
                  edit,
                  set(desk.state.document, `visibility/${kind}`, e.target.checked),
                )
              }
            />
          }
          label={text}
          slotProps={{ typography: { sx: { fontSize: 12 } } }}
        />
      ))}
    </Box>
  );
}
