import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { GoboDetails } from './GoboDetails';
import { ProfileDetails } from './ProfileDetails';
import type { LightProps, Of } from './props';

const cone = withRange(quantities.degrees, 'emitter.spot', 'coneDegrees');
const door = withRange(quantities.degrees, 'doors', 'left');
const gate = withRange(quantities.length, 'emitter.spot', 'gateDistance');
const source = withRange(quantities.length, 'emitter.spot', 'sourceRadius');

/** Cone, source, pattern, doors and profile of a spot. */
export function SpotDetails(p: LightProps & { emitter: Of<'spot'> }) {
  const { light, here, set, emitter } = p;
  const desk = useDesk();
  const number = (
    label: string,
    field: 'coneDegrees' | 'feather' | 'sourceRadius' | 'gateDistance',
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      edit={`${label} of ${light.name}`}
      read={(d) => (here(d).emitter as Of<'spot'>)[field]}
      write={(d, v) => set(d, `emitter/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <>
      <Section title="Cone">
        <Row>
          {number('Cone', 'coneDegrees', cone)}
          {number('Feather', 'feather', quantities.share)}
        </Row>
        <Row>
          {number('Source radius', 'sourceRadius', source)}
          {number('Gate at', 'gateDistance', gate)}
        </Row>
      </Section>
      <GoboDetails {...p} />
      <Section title="Barn doors">
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={emitter.doors !== null}
              onChange={(e) =>
                void desk.keep(
                  `Barn doors of ${light.name}`,
                  set(
                    desk.state.document,
                    'emitter/doors',
                    e.target.checked ? { left: 15, right: 15, top: 15, bottom: 15 } : null,
                  ),
                )
              }
            />
          }
          label="Four leaves"
        />
        {emitter.doors && (
          <Row>
            {(['left', 'right', 'top', 'bottom'] as const).map((leaf) => (
              <NumberOf
                key={leaf}
                label={leaf[0]!.toUpperCase() + leaf.slice(1)}
                name={`Barn door, ${leaf}`}
                edit={`Barn doors of ${light.name}`}
                read={(d) => (here(d).emitter as Of<'spot'>).doors?.[leaf] ?? 90}
                write={(d, v) => set(d, `emitter/doors/${leaf}`, v)}
                quantity={door}
              />
            ))}
          </Row>
        )}
      </Section>
      <ProfileDetails {...p} profile={emitter.profile} />
    </>
  );
}
