import LinkOffIcon from '@mui/icons-material/LinkOff';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { NumberOf, Section } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { quantities } from '../../controls/quantity';
import { useChoice } from '../../frame/choice';
import { useDesk } from '../../live/useShoot';
import { mirrorSource } from '../../plan/lights';
import { colours } from '../../theme/theme';
import type { LightProps } from './props';
import { ReachDetails } from './ReachDetails';
import { setFree, without } from './without';

/** The details of a light that is the mirror image of another. */
export function MirrorDetails(p: LightProps) {
  const { light, here, set } = p;
  const desk = useDesk();
  const source = mirrorSource(light, desk.document);
  return (
    <Box>
      <NameField
        label="Name of the light"
        value={light.name}
        onKeep={(name) =>
          void desk.keep(`Rename ${light.name}`, set(desk.state.document, 'name', name))
        }
      />
      <Typography variant="caption" color="text.secondary" component="p" sx={{ mb: 3 }}>
        Mirror image of {source.name}: it follows its place, size, brightness and colour.
      </Typography>
      <Section title="Level over its source">
        <NumberOf
          label="Level"
          edit={`Level of ${light.name}`}
          read={(d) => here(d).levelStops}
          write={(d, v) => set(d, 'levelStops', v)}
          quantity={quantities.stops}
        />
        <Button
          color="inherit"
          variant="outlined"
          sx={{ borderColor: colours.line }}
          onClick={() => useChoice.setState({ light: source.id })}
        >
          Go to {source.name}
        </Button>
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<LinkOffIcon />}
          sx={{ borderColor: colours.line }}
          onClick={() =>
            void desk.keep(`Unlink ${light.name}`, setFree(light, desk.state.document))
          }
        >
          Unlink
        </Button>
        <Button
          color="inherit"
          onClick={() =>
            void desk.keep(`Delete ${light.name}`, without(light, desk.state.document))
          }
        >
          Delete it
        </Button>
      </Section>
      <ReachDetails {...p} />
    </Box>
  );
}
