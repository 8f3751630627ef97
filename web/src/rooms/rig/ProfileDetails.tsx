import UploadFileIcon from '@mui/icons-material/UploadFile';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { api } from '../../api/client';
import type { Profile } from '../../api/document';
import { Section } from '../../controls/FieldOf';
import { say, useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { planes } from './polar';
import type { LightProps } from './props';

const SIZE = 132;

/** The IES profile of a lamp, drawn as a polar plot. */
export function ProfileDetails({ light, set, profile }: LightProps & { profile: Profile | null }) {
  const desk = useDesk();
  const use = async (file: File | undefined) => {
    if (!file) return;
    try {
      const read = await api.profile(file);
      await desk.keep(`Profile of ${light.name}`, [
        ...set(desk.state.document, 'emitter/profile', read.profile),
        ...set(desk.state.document, 'brightness', { value: read.peakCandela, unit: 'cd' }),
      ]);
    } catch (error) {
      say(error);
    }
  };
  return (
    <Section title="IES profile">
      {profile && <PolarPlot profile={profile} />}
      <Box sx={{ display: 'flex', gap: 1 }}>
        <Button
          component="label"
          color="inherit"
          variant="outlined"
          startIcon={<UploadFileIcon />}
          sx={{ borderColor: colours.line }}
        >
          {profile ? 'Another file …' : 'From a file …'}
          <input
            type="file"
            hidden
            accept=".ies,.ldt"
            aria-label="A photometric file"
            onChange={(e) => {
              void use(e.target.files?.[0]);
              e.target.value = '';
            }}
          />
        </Button>
        {profile && (
          <Button
            color="inherit"
            onClick={() =>
              void desk.keep(
                `Profile of ${light.name}`,
                set(desk.state.document, 'emitter/profile', null),
              )
            }
          >
            Without
          </Button>
        )}
      </Box>
    </Section>
  );
}

/** Intensity by angle from the aim, which points down, in two planes across one another. */
function PolarPlot({ profile }: { profile: Profile }) {
  const peak = Math.max(...profile.candela);
  const r = SIZE / 2 - 10;
  const path = (side: [number, number][]) =>
    side
      .map(([degrees, candela], i) => {
        const a = (degrees * Math.PI) / 180;
        const l = (r * candela) / peak;
        return `${i ? 'L' : 'M'}${(SIZE / 2 + l * Math.sin(a)).toFixed(1)} ${(SIZE / 2 + l * Math.cos(a)).toFixed(1)}`;
      })
      .join(' ');
  const [along, across] = planes(profile);
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center' }}>
      <svg
        width={SIZE}
        height={SIZE}
        role="img"
        aria-label={`Polar plot of ${profile.name}`}
        style={{ background: '#181818', borderRadius: 6, flex: 'none' }}
      >
        {[1 / 3, 2 / 3, 1].map((part) => (
          <circle
            key={part}
            cx={SIZE / 2}
            cy={SIZE / 2}
            r={part * r}
            fill="none"
            stroke={colours.line}
          />
        ))}
        {[0, 45, 90, 135].map((a) => (
          <line
            key={a}
            x1={SIZE / 2 - r * Math.sin((a * Math.PI) / 180)}
            y1={SIZE / 2 - r * Math.cos((a * Math.PI) / 180)}
            x2={SIZE / 2 + r * Math.sin((a * Math.PI) / 180)}
            y2={SIZE / 2 + r * Math.cos((a * Math.PI) / 180)}
            stroke={colours.line}
          />
        ))}
        <path d={path(across)} fill="none" stroke={colours.quiet} strokeDasharray="3 2" />
        <path d={path(along)} fill={`${colours.ember}30`} stroke={colours.ember} />
      </svg>
      <Box sx={{ minWidth: 0 }}>
        <Typography variant="caption" component="div">
          {profile.name}
        </Typography>
        <Typography variant="caption" component="div" sx={{ fontFamily: mono }}>
          {Math.round(peak)} cd
        </Typography>
        <Typography variant="caption" component="div" color="text.secondary">
          {profile.around.length === 1 ? 'round' : `${profile.around.length} half planes`}
        </Typography>
      </Box>
    </Box>
  );
}
