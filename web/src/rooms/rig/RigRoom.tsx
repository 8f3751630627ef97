import Typography from '@mui/material/Typography';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { PieceDetails } from '../set/PieceDetails';
import { BounceDetails } from './BounceDetails';
import { LightDetails } from './LightDetails';

/** Details of the Rig: the chosen light. */
export function RigDetails() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const light = desk.document.lights.find((l) => l.id === chosen);
  const chosenPiece = useChoice((c) => c.piece);
  const piece = desk.document.pieces.find((p) => p.id === chosenPiece);
  if (!light && piece) return <PieceDetails key={piece.id} piece={piece} />;
  if (!light) {
    return (
      <>
        <Typography color="text.secondary" sx={{ mb: 4 }}>
          Choose a light on the desk, in the picture or on the plan to place it, size it and colour
          it. Drag in the picture to orbit the camera.
        </Typography>
        <BounceDetails />
      </>
    );
  }
  return <LightDetails key={light.id} light={light} />;
}
