import UploadFileIcon from '@mui/icons-material/UploadFile';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from '../../api/client';
import type { Emitter, Light, Operation, ShootDocument } from '../../api/document';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities } from '../../controls/quantity';
import { say, useDesk } from '../../live/useShoot';

interface Props {
  light: Light;
  here: (d: ShootDocument) => Light;
  set: (d: ShootDocument, field: string, value: unknown) => Operation[];
}

type Of<K extends Emitter['kind']> = Extract<Emitter, { kind: K }>;

/** The dimensions of a kind of light. */
export function EmitterDetails(p: Props) {
  const { light, here, set } = p;
  const desk = useDesk();
  const length = (label: string, field: 'width' | 'height' | 'radius') => (
    <NumberOf
      label={label}
      edit={`Size of ${light.name}`}
      read={(d) => (here(d).emitter as unknown as Record<string, number>)[field] ?? 0}
      write={(d, v) => set(d, `emitter/${field}`, v)}
      quantity={quantities.length}
    />
  );
  switch (light.emitter.kind) {
    case 'rectangle':
      return (
        <Section title="Size">
          <Row>
            {length('Width', 'width')}
            {length('Height', 'height')}
            <NumberOf
              label="Roll"
              edit={`Roll ${light.name}`}
              read={(d) => here(d).rollDegrees}
              write={(d, v) => set(d, 'rollDegrees', v)}
              quantity={quantities.degrees}
            />
          </Row>
          <FormControlLabel
            control={
              <Switch
                size="small"
                checked={light.emitter.twoSided}
                onChange={(e) =>
                  void desk.keep(
                    `Sides of ${light.name}`,
                    set(desk.state.document, 'emitter/twoSided', e.target.checked),
                  )
                }
              />
            }
            label="Shines from both sides"
          />
        </Section>
      );
    case 'sphere':
      return <Section title="Size">{length('Radius', 'radius')}</Section>;
    case 'environment':
      return <EnvironmentDetails {...p} emitter={light.emitter} />;
    default:
      return null;
  }
}

function EnvironmentDetails({ light, here, set, emitter }: Props & { emitter: Of<'environment'> }) {
  const desk = useDesk();
  const client = useQueryClient();
  const id = desk.state.id;
  const { data: names } = useQuery({ queryKey: ['assets', id], queryFn: () => api.assets(id) });
  const choose = (picture: string) =>
    desk.keep(`Picture of ${light.name}`, set(desk.state.document, 'emitter/picture', picture));

  const bringIn = async (file: File | undefined) => {
    if (!file) return;
    try {
      const { name } = await api.addAsset(id, file);
      await client.invalidateQueries({ queryKey: ['assets', id] });
      await choose(name);
    } catch (error) {
      say(error);
    }
  };

  return (
    <Section title="Surroundings">
      <PlainSelect
        label="Picture"
        value={emitter.picture}
        options={(names ?? [emitter.picture]).map((n) => ({ value: n, text: n }))}
        onChange={(name) => void choose(name)}
      />
      <Box>
        <Button component="label" variant="outlined" startIcon={<UploadFileIcon />}>
          Another file …
          <input
            type="file"
            hidden
            accept=".hdr,.exr,.png,.jpg,.jpeg"
            aria-label="Another file for the surroundings"
            onChange={(e) => void bringIn(e.target.files?.[0])}
          />
        </Button>
      </Box>
      <NumberOf
        label="Turn"
        edit={`Turn ${light.name}`}
        read={(d) => (here(d).emitter as Of<'environment'>).turnDegrees}
        write={(d, v) => set(d, 'emitter/turnDegrees', v)}
        quantity={quantities.degrees}
      />
    </Section>
  );
}
