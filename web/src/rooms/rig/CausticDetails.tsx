import Typography from '@mui/material/Typography';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { SwitchOf } from '../../controls/SwitchOf';
import { useLive } from '../../live/store';
import { useDesk } from '../../live/useShoot';
import type { LightProps } from './props';

const softness: Quantity = {
  unit: 'mm',
  others: { cm: 10, m: 1000 },
  least: 0,
  most: 1000,
  step: 0.5,
  digits: 1,
};

/** What a light throws through glass and off mirrors. */
export function CausticDetails({ light, here, set }: LightProps) {
  const desk = useDesk();
  const share = useLive((s) => s.progress?.caustics?.[light.id]);
  return (
    <Section title="Caustics">
      <SwitchOf
        label="Casts caustics"
        on={light.castsCaustics}
        onChange={(on) =>
          void desk.keep(
            on ? `Caustics of ${light.name}` : `${light.name} without caustics`,
            set(desk.state.document, 'castsCaustics', on),
          )
        }
      />
      {light.castsCaustics && (
        <>
          <Row>
            <NumberOf
              label="Level"
              name="Level of the caustics"
              edit={`Caustics of ${light.name}`}
              read={(d) => here(d).causticLevel}
              write={(d, v) => set(d, 'causticLevel', v)}
              quantity={quantities.level}
            />
            <NumberOf
              label="Edge softness"
              name="Edge softness of the caustics"
              edit={`Edges of the caustics of ${light.name}`}
              read={(d) => here(d).causticSoftnessMillimetres}
              write={(d, v) => set(d, 'causticSoftnessMillimetres', v)}
              quantity={softness}
            />
          </Row>
          <Typography variant="caption" color="text.secondary">
            {said(share, light.causticLevel)}
          </Typography>
        </>
      )}
    </Section>
  );
}

/** How much of its light a light's caustics are, or why there is nothing to see. */
export function said(share: number | undefined, of: number) {
  if (of === 0) return 'Their level is 0.';
  if (share === undefined) return 'Being measured …';
  if (share === 0) {
    return (
      'None of its light falls into the picture over glass or mirrors. Glass, water and metal up ' +
      'to a roughness of 0.25 throw it; something matte has to lie where it goes.'
    );
  }
  if (share < 0.001) return 'Under 0.1 % of its light in the picture.';
  const percent = share < 0.1 ? (100 * share).toFixed(1) : Math.round(100 * share).toString();
  return `${percent} % of its light in the picture.`;
}
