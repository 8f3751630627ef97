import type { ReactElement } from 'react';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import type { Emitter } from '../../api/document';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { PicturePicker } from '../set/PicturePicker';
import { EnvironmentDetails } from './EnvironmentDetails';
import { ProfileDetails } from './ProfileDetails';
import type { LightProps, Of } from './props';
import { SkyDetails } from './SkyDetails';
import { SpotDetails } from './SpotDetails';

const spread = withRange(quantities.degrees, 'emitter.rectangle', 'spreadDegrees');
export const sunSize = withRange(
  { ...quantities.degrees, step: 0.1, digits: 2 },
  'emitter.sky-sun',
  'sizeDegrees',
);

/** The dimensions of a kind of light, and what shapes it. */
export function EmitterDetails(p: LightProps): ReactElement {
  const { light, here, set } = p;
  const { emitter } = light;
  const length = (label: string, field: 'width' | 'height' | 'radius' | 'length') => (
    <NumberOf
      label={label}
      edit={`Size of ${light.name}`}
      read={(d) => (here(d).emitter as unknown as Record<string, number>)[field] ?? 0}
      write={(d, v) => set(d, `emitter/${field}`, v)}
      quantity={quantities.length}
    />
  );
  switch (emitter.kind) {
    case 'rectangle':
      return (
        <Section title="Face">
          <Row>
            {length('Width', 'width')}
            {length('Height', 'height')}
          </Row>
          <FaceDetails {...p} emitter={emitter} />
        </Section>
      );
    case 'disc':
      return (
        <Section title="Face">
          {length('Radius', 'radius')}
          <FaceDetails {...p} emitter={emitter} />
        </Section>
      );
    case 'sphere':
      return <Section title="Size">{length('Radius', 'radius')}</Section>;
    case 'tube':
      return (
        <Section title="Size">
          <Row>
            {length('Length', 'length')}
            {length('Radius', 'radius')}
          </Row>
        </Section>
      );
    case 'point':
      return <ProfileDetails {...p} profile={emitter.profile} />;
    case 'spot':
      return <SpotDetails {...p} emitter={emitter} />;
    case 'sun':
      return (
        <Section title="Size">
          <NumberOf
            label="Angle across"
            edit={`Size of ${light.name}`}
            read={(d) => (here(d).emitter as Of<'sun'>).sizeDegrees}
            write={(d, v) => set(d, 'emitter/sizeDegrees', v)}
            quantity={withRange(sunSize, 'emitter.sun', 'sizeDegrees')}
          />
        </Section>
      );
    case 'sky-sun':
      return (
        <Section title="Size">
          <NumberOf
            label="Angle across"
            edit={`Size of ${light.name}`}
            read={(d) => (here(d).emitter as Of<'sky-sun'>).sizeDegrees}
            write={(d, v) => set(d, 'emitter/sizeDegrees', v)}
            quantity={sunSize}
          />
        </Section>
      );
    case 'environment':
      return <EnvironmentDetails {...p} emitter={emitter} />;
    case 'dome':
      return (
        <Section title="Colours">
          {(['above', 'below'] as const).map((part) => (
            <ColourOf
              key={part}
              label={part === 'above' ? 'Overhead' : 'Beneath'}
              edit={`Colours of ${light.name}`}
              read={(d) => (here(d).emitter as Of<'dome'>)[part]}
              write={(d, v) => set(d, `emitter/${part}`, v)}
            />
          ))}
        </Section>
      );
    case 'sky':
      return <SkyDetails {...p} emitter={emitter} />;
    case 'plate':
    case 'emissive':
      return <PictureOf {...p} emitter={emitter} />;
  }
}

/** Egg-crate, sides and picture of a flat face. */
function FaceDetails({
  light,
  here,
  set,
  emitter,
}: LightProps & { emitter: Of<'rectangle'> | Of<'disc'> }) {
  const desk = useDesk();
  return (
    <>
      <NumberOf
        label="Beam spread (egg-crate; 180° open)"
        edit={`Spread of ${light.name}`}
        read={(d) => (here(d).emitter as Of<'disc'>).spreadDegrees}
        write={(d, v) => set(d, 'emitter/spreadDegrees', v)}
        quantity={spread}
      />
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={emitter.twoSided}
            onChange={(e) =>
              void desk.keep(
                `Sides of ${light.name}`,
                set(desk.state.document, 'emitter/twoSided', e.target.checked),
              )
            }
          />
        }
        label="Emits from both sides"
      />
      <PictureOn light={light} here={here} set={set} picture={emitter.picture} />
    </>
  );
}

function PictureOf(p: LightProps & { emitter: Extract<Emitter, { picture: string | null }> }) {
  return (
    <Section title={p.emitter.kind === 'plate' ? 'Backdrop' : 'Picture on the pieces'}>
      <PictureOn {...p} picture={p.emitter.picture} must={p.emitter.kind === 'plate'} />
    </Section>
  );
}

function PictureOn({
  light,
  set,
  picture,
  must,
}: LightProps & { picture: string | null; must?: boolean }) {
  const desk = useDesk();
  const keep = (name: string | null) =>
    void desk.keep(`Picture of ${light.name}`, set(desk.state.document, 'emitter/picture', name));
  return (
    <PicturePicker
      label="Picture on the face"
      value={picture}
      relief={false}
      onPick={({ name }) => keep(name)}
      onNone={must ? undefined : () => keep(null)}
    />
  );
}
