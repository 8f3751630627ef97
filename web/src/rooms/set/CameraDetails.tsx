import CenterFocusStrongIcon from '@mui/icons-material/CenterFocusStrong';
import ControlCameraIcon from '@mui/icons-material/ControlCamera';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Operation, ShootDocument } from '../../api/document';
import { setField } from '../../api/patch';
import { NumberOf, Row, Section, VectorOf } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { SwitchOf } from '../../controls/SwitchOf';
import { useChoice, type At } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';

const blades = withRange({ unit: '', step: 1, digits: 0 }, 'shot', 'blades');
const aspect = withRange({ unit: '', step: 0.01, digits: 3 }, 'shot', 'cropAspect');
const CROPS = [
  { value: '0', text: 'none' },
  { value: '1', text: 'square' },
  { value: '0.5625', text: '9 : 16, tall' },
  { value: '0.8', text: '4 : 5, tall' },
  { value: '2.39', text: '2.39 : 1, wide' },
  { value: 'own', text: 'another' },
];

/** The camera of the shot that is shown. */
export function CameraDetails() {
  const desk = useDesk();
  const shot = useChosenShot();
  const here = (d: ShootDocument) => d.shots.find((s) => s.id === shot.id) ?? shot;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'shots', shot.id, field, value),
  ];
  const arm = (what: string, then: (at: At) => void) =>
    useChoice.setState({ armed: { what, then } });
  const focus = (at: At) =>
    void desk.keep('Focus by pointing', set(desk.state.document, 'focusDistance', at.depth));
  const aim = ({ position }: At) =>
    void desk.keep(
      'Aim by pointing',
      set(desk.state.document, 'aim', [position.x, position.y, position.z]),
    );
  return (
    <Box key={shot.id}>
      <Box sx={{ mb: 3 }}>
        <NameField
          label="Name of the shot"
          value={shot.name}
          onKeep={(name) =>
            void desk.keep(`Rename ${shot.name}`, set(desk.state.document, 'name', name))
          }
        />
        <Typography variant="caption" color="text.secondary">
          Camera
        </Typography>
      </Box>
      <Section title="Lens">
        <Row>
          <NumberOf
            label="Focal length"
            edit="Focal length"
            read={(d) => here(d).focalLengthMm}
            write={(d, v) => set(d, 'focalLengthMm', v)}
            quantity={quantities.millimetres}
          />
          <NumberOf
            label="Aperture (0: all sharp)"
            edit="Aperture"
            read={(d) => here(d).fStop}
            write={(d, v) => set(d, 'fStop', v)}
            quantity={quantities.fStop}
          />
        </Row>
        <Row>
          <NumberOf
            label="Blades (0: round)"
            edit="Blades of the aperture"
            read={(d) => here(d).blades}
            write={(d, v) => set(d, 'blades', v > 0 && v < 3 ? (here(d).blades > v ? 0 : 3) : v)}
            quantity={blades}
          />
          <NumberOf
            label="Blades' turn"
            edit="Turn of the aperture"
            read={(d) => here(d).bladeRotationDegrees}
            write={(d, v) => set(d, 'bladeRotationDegrees', v)}
            quantity={withRange(quantities.degrees, 'shot', 'bladeRotationDegrees')}
          />
        </Row>
        <NumberOf
          label="Focus distance (0: the aim)"
          edit="Focus"
          read={(d) => here(d).focusDistance}
          write={(d, v) => set(d, 'focusDistance', v)}
          quantity={withRange(quantities.metres, 'shot', 'focusDistance')}
        />
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<CenterFocusStrongIcon />}
          onClick={() => arm('Point at what is to be sharp', focus)}
          sx={{ borderColor: colours.line }}
        >
          Focus by pointing
        </Button>
        <NumberOf
          label="Sensor width"
          edit="Sensor"
          read={(d) => here(d).sensorWidthMm}
          write={(d, v) => set(d, 'sensorWidthMm', v)}
          quantity={withRange(quantities.millimetres, 'shot', 'sensorWidthMm')}
        />
        <SwitchOf
          label="Upright lines stay upright"
          on={shot.upright}
          onChange={(on) =>
            void desk.keep(
              on ? 'Keep upright lines upright' : 'Let upright lines lean',
              set(desk.state.document, 'upright', on),
            )
          }
        />
      </Section>
      <Section title="Picture">
        <NumberOf
          label="Exposure over the look's"
          edit={`Exposure of ${shot.name}`}
          read={(d) => here(d).exposureStops}
          write={(d, v) => set(d, 'exposureStops', v)}
          quantity={quantities.stops}
        />
        <PlainSelect
          label="Guides for a crop"
          value={CROPS.some((c) => c.value === `${shot.cropAspect}`) ? `${shot.cropAspect}` : 'own'}
          options={CROPS}
          onChange={(value) =>
            void desk.keep(
              'Guides for a crop',
              set(desk.state.document, 'cropAspect', value === 'own' ? 1.5 : Number(value)),
            )
          }
        />
        {shot.cropAspect > 0 && (
          <NumberOf
            label="Width over height"
            edit="Guides for a crop"
            read={(d) => here(d).cropAspect}
            write={(d, v) => set(d, 'cropAspect', v)}
            quantity={aspect}
          />
        )}
        <SwitchOf
          label="Cut out: nothing behind, with alpha"
          on={shot.cutOut}
          onChange={(on) =>
            void desk.keep(
              on ? 'Cut the set out' : 'Show what lies behind the set',
              set(desk.state.document, 'cutOut', on),
            )
          }
        />
      </Section>
      <Section title="Place">
        <VectorOf
          label="Position"
          edit="Move the camera"
          read={(d) => here(d).position}
          write={(d, v) => set(d, 'position', v)}
          quantity={quantities.metres}
        />
        <VectorOf
          label="Aims at"
          edit="Aim the camera"
          read={(d) => here(d).aim}
          write={(d, v) => set(d, 'aim', v)}
          quantity={quantities.metres}
        />
        <Button
          color="inherit"
          variant="outlined"
          startIcon={<ControlCameraIcon />}
          onClick={() => arm('Point at what the camera is to turn about', aim)}
          sx={{ borderColor: colours.line }}
        >
          Aim by pointing
        </Button>
        <Typography variant="caption" color="text.secondary">
          Orbiting turns about the aim.
        </Typography>
      </Section>
    </Box>
  );
}
