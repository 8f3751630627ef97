import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import type { Operation, Piece, ShootDocument, Visibility } from '../../api/document';
import { Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { useDesk } from '../../live/useShoot';
import { ReflectedIn } from './ReflectedIn';
import { showing, shownAs, type Showing } from './showing';

type Kinds = [Exclude<keyof Visibility, 'reflectedIn'>, string][];

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

const OPENS: Kinds = [['portal', 'Opening for daylight']];

const WAYS: { value: Showing; text: string }[] = [
  { value: 'both', text: 'Everywhere' },
  { value: 'reflections', text: 'Only in reflections' },
  { value: 'picture', text: 'Only in the picture' },
  { value: 'other', text: 'As set below' },
];

interface Props {
  piece: Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** Where a piece is seen, what it casts, and whether it catches shadows. */
export function VisibilityDetails(p: Props) {
  const desk = useDesk();
  const way = showing(p.piece);
  return (
    <>
      <Section title="Seen">
        <PlainSelect
          label="Shows"
          value={way}
          options={WAYS.filter((w) => w.value !== 'other' || way === 'other')}
          onChange={(to) => {
            if (to !== 'other') {
              void desk.keep(
                `Where ${p.piece.name} is seen`,
                shownAs(p.piece, to as Exclude<Showing, 'other'>, desk.state.document),
              );
            }
          }}
        />
        <Switches {...p} kinds={SEEN} edit={`Where ${p.piece.name} is seen`} />
        {p.piece.visibility.reflection && <ReflectedIn {...p} />}
      </Section>
      <Section title="Casts">
        <Switches {...p} kinds={CASTS} edit={`What ${p.piece.name} casts`} />
        <Switches {...p} kinds={CATCHES} edit={`${p.piece.name} as a shadow catcher`} />
        <Switches {...p} kinds={OPENS} edit={`${p.piece.name} as an opening`} />
        {p.piece.visibility.portal && (
          <Typography variant="caption" color="text.secondary">
            Light of the sky and the surroundings is sampled through it: less noise, the same light.
            The piece must be flat; glass stays, what is opaque only marks the opening.
          </Typography>
        )}
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
