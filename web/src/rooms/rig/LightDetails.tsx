import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteIcon from '@mui/icons-material/Delete';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { api } from '../../api/client';
import type { Light, Operation, ShootDocument, Unit, Vector } from '../../api/document';
import { setField } from '../../api/patch';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { NameField } from '../../controls/NameField';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { lightKinds } from '../../desk/lightKinds';
import { LightMark } from '../../desk/LightMark';
import { freeId } from '../../desk/newLight';
import { chosenWith } from '../../frame/choice';
import { say, useDesk } from '../../live/useShoot';
import { isPlaced } from '../../plan/lights';
import { colours } from '../../theme/theme';
import { BankOf } from './BankOf';
import { EmitterDetails } from './EmitterDetails';
import { Gels } from './Gels';
import { PlaceDetails } from './PlaceDetails';
import { ReachDetails } from './ReachDetails';
import { MirrorDetails } from './MirrorDetails';
import { brightnessQuantity, efficacyQuantity, shownUnit } from './units';
import { without } from './without';

/** All that belongs to one light, in the order in which it is used. */
export function LightDetails({ light }: { light: Light }) {
  const desk = useDesk();
  const document = desk.state.document;
  const here = (d: ShootDocument) => d.lights.find((l) => l.id === light.id) ?? light;
  const set = (d: ShootDocument, field: string, value: unknown): Operation[] => [
    setField(d, 'lights', light.id, field, value),
  ];
  const placed = isPlaced(light);
  const index = document.lights.findIndex((l) => l.id === light.id);

  const duplicate = async () => {
    const id = freeId(light.id, document.lights);
    const step: Vector = placed ? [0.2, 0, 0] : [0, 0, 0];
    const copy: Light = {
      ...here(document),
      id,
      name: `${light.name} copy`,
      solo: false,
      position: light.position.map((x, i) => x + step[i]!) as Vector,
    };
    const kept = desk.keep(`Duplicate ${light.name}`, [
      { op: 'add', path: `/lights/${index + 1}`, value: copy },
    ]);
    await chosenWith(kept, { light: id });
  };

  const said = async (to: Unit) => {
    try {
      const next = await api.brightness(light.emitter, light.brightness, to);
      await desk.keep(
        `Unit of ${light.name}`,
        set(document, 'brightness', { ...next, value: Number(next.value.toPrecision(6)) }),
      );
    } catch (error) {
      say(error);
    }
  };

  if (light.mirror) return <MirrorDetails light={light} here={here} set={set} />;
  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mb: 3 }}>
        <Box sx={{ color: colours.ember, display: 'flex' }}>
          <LightMark kind={light.emitter.kind} size={20} />
        </Box>
        <Box sx={{ flex: 1, minWidth: 0 }}>
          <NameField
            label="Name of the light"
            value={light.name}
            onKeep={(name) => void desk.keep(`Rename ${light.name}`, set(document, 'name', name))}
          />
          <Typography variant="caption" color="text.secondary">
            {lightKinds[light.emitter.kind].name}
          </Typography>
        </Box>
        <Tooltip title="Duplicate this light">
          <IconButton aria-label="Duplicate this light" onClick={() => void duplicate()}>
            <ContentCopyIcon fontSize="inherit" />
          </IconButton>
        </Tooltip>
        <Tooltip title="Delete this light">
          <IconButton
            aria-label="Delete this light"
            onClick={() => void desk.keep(`Delete ${light.name}`, without(light, document))}
          >
            <DeleteIcon fontSize="inherit" />
          </IconButton>
        </Tooltip>
      </Box>

      <Section title="Brightness">
        <Row>
          <NumberOf
            key={light.brightness.unit}
            label={light.emitter.kind === 'environment' ? 'A pixel of 1.0' : 'Brightness'}
            edit={`Brightness of ${light.name}`}
            read={(d) => here(d).brightness.value}
            write={(d, v) => set(d, 'brightness/value', v)}
            quantity={brightnessQuantity(light.brightness.unit)}
          />
          <PlainSelect
            label="Unit"
            value={light.brightness.unit}
            options={lightKinds[light.emitter.kind].units.map((u) => ({
              value: u,
              text: shownUnit(u),
            }))}
            onChange={(unit) => void said(unit as Unit)}
          />
          <NumberOf
            label="Level"
            edit={`Level of ${light.name}`}
            read={(d) => here(d).levelStops}
            write={(d, v) => set(d, 'levelStops', v)}
            quantity={quantities.stops}
          />
        </Row>
        {light.brightness.unit === 'W' && (
          <NumberOf
            label="Lumens a watt"
            edit={`Efficacy of ${light.name}`}
            read={(d) => here(d).brightness.efficacy ?? 100}
            write={(d, v) => set(d, 'brightness/efficacy', v)}
            quantity={efficacyQuantity}
          />
        )}
      </Section>

      <Section title="Colour">
        <Row>
          <NumberOf
            label="Temperature"
            edit={`Temperature of ${light.name}`}
            read={(d) => here(d).colour.kelvin}
            write={(d, v) => set(d, 'colour/kelvin', v)}
            quantity={quantities.kelvin}
          />
          <NumberOf
            label="Tint"
            edit={`Tint of ${light.name}`}
            read={(d) => here(d).colour.tint}
            write={(d, v) => set(d, 'colour/tint', v)}
            quantity={quantities.tint}
          />
        </Row>
        <Gels light={light} here={here} set={set} />
      </Section>

      {placed && <PlaceDetails light={light} here={here} set={set} />}

      <EmitterDetails light={light} here={here} set={set} />
      <ReachDetails light={light} here={here} set={set} />
      <BankOf light={light} set={set} />
    </Box>
  );
}
