import Typography from '@mui/material/Typography';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { LightDetails } from './LightDetails';

/** Details of the Rig: the chosen light. */
export function RigDetails() {
  const desk = useDesk();
  const chosen = useChoice((c) => c.light);
  const light = desk.document.lights.find((l) => l.id === chosen);
  if (!light) {
    return (
      <Typography color="text.secondary">
        Choose a light on the desk below to place it, size it and colour it. Drag in the picture to
        orbit the camera.
      </Typography>
    );
  }
  return <LightDetails key={light.id} light={light} />;
}
