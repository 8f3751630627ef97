import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { api } from '../../api/client';
import type { Daylight } from '../../api/document';
import { ColourOf } from '../../controls/ColourOf';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import type { LightProps, Of } from './props';

const height = withRange(quantities.degrees, 'daylight', 'heightDegrees');
const turbidity = withRange({ unit: '', step: 0.1, digits: 1 }, 'daylight', 'haze');
const horizon = withRange({ ...quantities.degrees, step: 0.5 }, 'daylight', 'horizonDegrees');
const both = withRange({ unit: '', step: 0.02, digits: 2 }, 'daylight', 'warmth');
const double = withRange({ unit: '', step: 0.02, digits: 2 }, 'daylight', 'saturation');
const night = withRange(
  { unit: 'cd/m²', step: 0.001, digits: 4, relative: true },
  'daylight',
  'nightLuminance',
);
const whole = { unit: '', step: 1, digits: 0 };
const hour = withRange({ unit: 'h', step: 0.25, digits: 2 }, 'when', 'hour');
const placeDegrees = { ...quantities.degrees, digits: 2 };
const zone = withRange({ unit: 'h', step: 0.5, digits: 1 }, 'when', 'zoneHours');

type When = NonNullable<Daylight['when']>;

/** A sky by place, date and hour, or by where its sun stands. */
export function SkyDetails({ light, here, set, emitter }: LightProps & { emitter: Of<'sky'> }) {
  const desk = useDesk();
  const { when } = emitter.daylight;
  const edit = `Sky of ${light.name}`;
  const day = (d: Parameters<typeof here>[0]) => (here(d).emitter as Of<'sky'>).daylight;
  const number = (
    label: string,
    field: Exclude<keyof Daylight, 'when' | 'ground' | 'night'>,
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      edit={edit}
      read={(d) => day(d)[field]}
      write={(d, v) => set(d, `emitter/daylight/${field}`, v)}
      quantity={quantity}
    />
  );
  const at = (label: string, field: keyof When, quantity: Quantity) => (
    <NumberOf
      label={label}
      edit={edit}
      read={(d) => day(d).when?.[field] ?? 0}
      write={(d, v) => set(d, `emitter/daylight/when/${field}`, v)}
      quantity={quantity}
    />
  );
  return (
    <>
      <Section title="Where the sun stands">
        <FormControlLabel
          control={
            <Switch
              size="small"
              checked={when !== null}
              onChange={(e) =>
                void desk.keep(
                  edit,
                  set(
                    desk.state.document,
                    'emitter/daylight/when',
                    e.target.checked
                      ? {
                          latitude: 54,
                          longitude: 0,
                          year: 2026,
                          month: 6,
                          day: 21,
                          hour: 10,
                          zoneHours: 1,
                          northDegrees: 0,
                        }
                      : null,
                  ),
                )
              }
            />
          }
          label="By place, date and hour"
        />
        {when ? (
          <>
            <Row>
              {at('Latitude', 'latitude', withRange(placeDegrees, 'when', 'latitude'))}
              {at('Longitude', 'longitude', withRange(placeDegrees, 'when', 'longitude'))}
              {at('North at', 'northDegrees', quantities.degrees)}
            </Row>
            <Row>
              {at('Day', 'day', withRange(whole, 'when', 'day'))}
              {at('Month', 'month', withRange(whole, 'when', 'month'))}
              {at('Hour', 'hour', hour)}
              {at('Zone', 'zoneHours', zone)}
            </Row>
          </>
        ) : (
          <Row>
            {number('Heading', 'headingDegrees', quantities.degrees)}
            {number('Height', 'heightDegrees', height)}
          </Row>
        )}
        <Found light={light.id} />
      </Section>
      <Section title="Air and ground">
        <Row>
          {number('Haze', 'haze', turbidity)}
          {number('Warm–cool', 'warmth', both)}
          {number('Saturation', 'saturation', double)}
        </Row>
        <Row>
          {number('Horizon at', 'horizonDegrees', horizon)}
          {number('Softness', 'horizonSoftness', quantities.share)}
        </Row>
        <ColourOf
          label="Ground"
          edit={edit}
          read={(d) => day(d).ground}
          write={(d, v) => set(d, 'emitter/daylight/ground', v)}
        />
        <ColourOf
          label="Night"
          edit={edit}
          read={(d) => day(d).night}
          write={(d, v) => set(d, 'emitter/daylight/night', v)}
        />
        {number('Night sky', 'nightLuminance', night)}
      </Section>
    </>
  );
}

/** What the sun and sky of the moment give. */
function Found({ light }: { light: string }) {
  const desk = useDesk();
  const foundQuery = useQuery({
    queryKey: ['daylight', desk.state.id, light, desk.state.revision],
    queryFn: () => api.daylight(desk.state.id, light),
    placeholderData: (before) => before,
  });
  const data = foundQuery.data;
  if (!data) return <Fetched of={foundQuery} what="Sun and sky" />;
  const lux = (v: number) => (v >= 1000 ? `${(v / 1000).toFixed(1)} klx` : `${v.toFixed(1)} lx`);
  const lines: [string, string][] = [
    ['Sun position', `${data.headingDegrees.toFixed(1)}°, ${data.heightDegrees.toFixed(1)}° high`],
    ['Sun gives', `${lux(data.sunLux)} square to it`],
    ['Sky gives', `${lux(data.skyLux)} on level ground`],
  ];
  return (
    <Box role="group" aria-label="What sun and sky give">
      {lines.map(([text, value]) => (
        <Box key={text} sx={{ display: 'flex', justifyContent: 'space-between', fontSize: 12 }}>
          <span style={{ color: colours.quiet }}>{text}</span>
          <span style={{ fontFamily: mono }}>{value}</span>
        </Box>
      ))}
    </Box>
  );
}
