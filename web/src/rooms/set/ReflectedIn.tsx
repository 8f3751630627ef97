import TouchAppIcon from '@mui/icons-material/TouchApp';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Operation, Piece, ShootDocument } from '../../api/document';
import { Row } from '../../controls/FieldOf';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';
import { countIn, isIn, scoped } from '../rig/scope';

interface Props {
  piece: Piece;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

/** In which pieces' reflections a piece is seen. */
export function ReflectedIn({ piece, set }: Props) {
  const desk = useDesk();
  const { pieces } = desk.document;
  const scope = piece.visibility.reflectedIn;
  const all = pieces.filter((p) => p.shape).length;
  const count = countIn(scope, pieces);
  const keep = (edit: string, value: unknown) =>
    void desk.keep(edit, set(desk.state.document, 'visibility/reflectedIn', value));
  const point = () =>
    useChoice.setState({
      armed: {
        what: `Point at pieces that are not to reflect ${piece.name}, or are to again`,
        stays: true,
        then: ({ piece: at }) => {
          const now = desk.state.document.pieces;
          const own = now.find((p) => p.id === piece.id)?.visibility.reflectedIn ?? scope;
          const inside = isIn(own, now, at);
          const name = now.find((p) => p.id === at)?.name ?? at;
          keep(
            `${piece.name} ${inside ? 'not ' : ''}reflected in ${name}`,
            scoped(own, now, at, !inside),
          );
        },
      },
    });
  return (
    <>
      <Typography variant="caption" color="text.secondary">
        {count === all ? 'Reflected in every piece' : `Reflected in ${count} of ${all} pieces`}
      </Typography>
      <Row>
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<TouchAppIcon />}
          onClick={point}
          sx={{ borderColor: colours.line }}
        >
          Choose …
        </Button>
        <Button
          color="inherit"
          disabled={count === all}
          onClick={() =>
            keep(`${piece.name} reflected in every piece`, { only: false, pieces: [] })
          }
        >
          In every piece
        </Button>
      </Row>
    </>
  );
}
