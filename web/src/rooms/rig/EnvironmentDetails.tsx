import UploadFileIcon from '@mui/icons-material/UploadFile';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { api } from '../../api/client';
import { isPicture, PICTURE_FILES } from '../../api/pictureFiles';
import { NumberOf, Row, Section } from '../../controls/FieldOf';
import { PlainSelect } from '../../controls/PlainSelect';
import { quantities, type Quantity } from '../../controls/quantity';
import { withRange } from '../../controls/withRange';
import { noted, say, useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import type { LightProps, Of } from './props';

const blur = withRange(quantities.degrees, 'emitter.environment', 'blurDegrees');
const tilt = withRange(quantities.degrees, 'emitter.environment', 'tiltDegrees');
const seam = withRange(quantities.share, 'emitter.environment', 'seamBlend');

/** The picture of an environment: which, how it stands, how it is mended, and what it can do. */
export function EnvironmentDetails({
  light,
  here,
  set,
  emitter,
}: LightProps & { emitter: Of<'environment'> }) {
  const desk = useDesk();
  const client = useQueryClient();
  const id = desk.state.id;
  const { data: names } = useQuery({ queryKey: ['assets', id], queryFn: () => api.assets(id) });
  const shelfQuery = useQuery({
    queryKey: ['environments'],
    queryFn: api.environments,
    staleTime: Infinity,
  });
  const shelf = shelfQuery.data;
  const choose = (picture: string) =>
    desk.keep(`Picture of ${light.name}`, set(desk.state.document, 'emitter/picture', picture));
  const use = async (find: () => Promise<{ name: string }>) => {
    try {
      const { name } = await find();
      await client.invalidateQueries({ queryKey: ['assets', id] });
      await choose(name);
    } catch (error) {
      say(error);
    }
  };
  const number = (
    label: string,
    field: 'rotationDegrees' | 'tiltDegrees' | 'blurDegrees' | 'seamBlend',
    quantity: Quantity,
  ) => (
    <NumberOf
      label={label}
      edit={`${label} of ${light.name}`}
      read={(d) => (here(d).emitter as Of<'environment'>)[field]}
      write={(d, v) => set(d, `emitter/${field}`, v)}
      quantity={quantity}
    />
  );
  const own = (names ?? [emitter.picture]).filter((n) => isPicture(n));

  return (
    <Section title="Environment">
      <Box
        role="listbox"
        aria-label="Shelf of environments"
        sx={{ display: 'grid', gridTemplateColumns: 'repeat(3, 1fr)', gap: 1 }}
      >
        <Fetched of={shelfQuery} what="The shelf" />
        {(shelf ?? []).map((s) => {
          const chosen = emitter.picture === `${s.id}.hdr`;
          return (
            <Tooltip key={s.id} title={s.name}>
              <Box
                component="button"
                type="button"
                role="option"
                aria-label={s.name}
                aria-selected={chosen}
                onClick={() => void use(() => api.takePattern(id, s.id))}
                sx={{
                  p: 0,
                  aspectRatio: '2',
                  overflow: 'hidden',
                  border: `1px solid ${chosen ? colours.ember : colours.line}`,
                  borderRadius: 1,
                  bgcolor: '#000',
                  cursor: 'pointer',
                }}
              >
                <img
                  src={api.patternUrl(s.id)}
                  alt=""
                  draggable={false}
                  style={{ width: '100%', height: '100%', objectFit: 'cover', display: 'block' }}
                />
              </Box>
            </Tooltip>
          );
        })}
      </Box>
      <PlainSelect
        label="Picture"
        value={emitter.picture}
        options={own.map((n) => ({ value: n, text: n }))}
        onChange={(name) => void choose(name)}
      />
      <Box>
        <Button component="label" variant="outlined" startIcon={<UploadFileIcon />}>
          Another file …
          <input
            type="file"
            hidden
            accept={PICTURE_FILES}
            aria-label="Another file for the environment"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void use(() => noted(api.addAsset(id, file)));
            }}
          />
        </Button>
      </Box>
      <Row>
        {number('Turn', 'rotationDegrees', quantities.degrees)}
        {number('Tilt', 'tiltDegrees', tilt)}
        {number('Blur', 'blurDegrees', blur)}
      </Row>
      {number('Seam blend', 'seamBlend', seam)}
      <Box
        component="img"
        alt="The two borders as they meet"
        src={api.seamUrl(id, emitter.picture, emitter.seamBlend)}
        sx={{ width: '100%', display: 'block', borderRadius: 1 }}
      />
      <Measured picture={emitter.picture} />
    </Section>
  );
}

/** Resolution, range, clipping and seam of a picture. */
function Measured({ picture }: { picture: string }) {
  const desk = useDesk();
  const measured = useQuery({
    queryKey: ['environment', desk.state.id, picture],
    queryFn: () => api.environment(desk.state.id, picture),
    staleTime: Infinity,
  });
  const { data } = measured;
  if (!data) return <Fetched of={measured} what="What was measured" />;
  const poor = data.stops < 6;
  const lines: [text: string, value: string, warn?: string][] = [
    ['Pixels per degree', data.pixelsPerDegree.toFixed(1)],
    [
      'Range',
      `${data.stops.toFixed(1)} stops`,
      poor
        ? 'Too few stops to light a set by itself: add lights, or take a picture of more range.'
        : undefined,
    ],
    [
      'Clipped',
      data.clippedShare > 0 ? `${(100 * data.clippedShare).toFixed(2)} %` : 'no',
      data.clippedShare > 0
        ? 'Its brightest light was cut off when it was taken, so shadows come out too soft and weak.'
        : undefined,
    ],
    [
      'Seam',
      `${data.seamStops.toFixed(2)} stops`,
      data.seamStops > 0.15 ? 'Its borders do not meet: blend them.' : undefined,
    ],
  ];
  return (
    <Box role="group" aria-label="What the picture can do">
      {lines.map(([text, value, warn]) => (
        <Box key={text}>
          <Box sx={{ display: 'flex', justifyContent: 'space-between', fontSize: 12 }}>
            <span style={{ color: colours.quiet }}>{text}</span>
            <span style={{ fontFamily: mono }}>{value}</span>
          </Box>
          {warn && (
            <Typography variant="caption" component="p" sx={{ color: colours.warning }}>
              {warn}
            </Typography>
          )}
        </Box>
      ))}
    </Box>
  );
}
