import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { api } from '../../api/client';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { PlainSelect } from '../../controls/PlainSelect';
import { useDesk } from '../../live/useShoot';
import { amount, reasons } from './causticReasons';
import { MakeCaustics } from './MakeCaustics';
import type { LightProps } from './props';

const softness = withRange(
  { unit: 'mm', others: { cm: 10, m: 1000 }, step: 0.5, digits: 1 },
  'light',
  'causticSoftnessMillimetres',
);

const byDistance: Quantity = { unit: '%', least: 0, most: 100, step: 1, digits: 1 };
const fades = withRange(quantities.length, 'light', 'causticFadesAtMetres');

/** Whether photons carry them. */
const ways = [
  { value: 'automatic', text: 'Automatic' },
  { value: 'on', text: 'On' },
  { value: 'off', text: 'Off' },
];

/** How often what is seen of them is asked for again. */
const AGAIN_MILLIS = 3000;

/** What a light throws through glass and off mirrors. */
export function CausticDetails({ light, here, set }: LightProps) {
  const desk = useDesk();
  return (
    <Section title="Caustics">
      <PlainSelect
        label="Casts caustics"
        value={light.castsCaustics}
        options={ways}
        onChange={(way) =>
          void desk.keep(
            `Caustics of ${light.name}`,
            set(desk.state.document, 'castsCaustics', way),
          )
        }
      />
      {light.castsCaustics !== 'on' && (
        <>
          {light.castsCaustics === 'automatic' && <Chosen light={light} />}
          <MakeCaustics name={light.name} of={{ light: light.id }} />
        </>
      )}
      {light.castsCaustics === 'on' && (
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
          <Row>
            <NumberOf
              label="Softer with distance"
              name="Softness of the caustics by distance"
              edit={`Edges of the caustics of ${light.name}`}
              read={(d) => 100 * here(d).causticSoftnessShare}
              write={(d, v) => set(d, 'causticSoftnessShare', v / 100)}
              quantity={byDistance}
            />
            <NumberOf
              label="Fade at (0: never)"
              name="Where the caustics fade"
              edit={`Reach of the caustics of ${light.name}`}
              read={(d) => here(d).causticFadesAtMetres}
              write={(d, v) => set(d, 'causticFadesAtMetres', v)}
              quantity={fades}
            />
          </Row>
          <Seen light={light} />
        </>
      )}
    </Section>
  );
}

/** How far a light's caustics are seen: null where photons carry none, undefined at first. */
function useCaustics(light: string) {
  const { id } = useDesk().state;
  return useQuery({
    queryKey: ['caustics', id, light],
    queryFn: () => api.caustics(id, light),
    refetchInterval: AGAIN_MILLIS,
  }).data;
}

/** Whether photons were chosen, and how much of the picture they carry. */
function Chosen({ light }: Pick<LightProps, 'light'>) {
  const seen = useCaustics(light.id);
  return (
    <Typography variant="caption" color="text.secondary" component="div" sx={{ minHeight: 32 }}>
      {seen === undefined
        ? 'Being measured …'
        : seen
          ? `Photons carry them. ${amount(seen)}`
          : 'No photons: nothing throws its light, or paths find it soon enough.'}
    </Typography>
  );
}

/** How much of the picture they are, and why they are not seen better. */
function Seen({ light }: Pick<LightProps, 'light'>) {
  const desk = useDesk();
  const seen = useCaustics(light.id);
  const names = Object.fromEntries(desk.document.lights.map((l) => [l.id, l.name]));
  const lines =
    light.causticLevel === 0
      ? ['Their level is 0.']
      : light.muted
        ? ['The light is muted.']
        : !seen
          ? ['Being measured …']
          : [amount(seen), ...reasons(seen, light.id, names)];
  return (
    <Typography variant="caption" color="text.secondary" component="div" sx={{ minHeight: 32 }}>
      {lines.map((line) => (
        <div key={line}>{line}</div>
      ))}
    </Typography>
  );
}
