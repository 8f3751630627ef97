import LinkOffIcon from '@mui/icons-material/LinkOff';
import Box from '@mui/material/Box';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { Section } from '../../controls/FieldOf';
import { useDesk } from '../../live/useShoot';
import { placeName } from '../../motion/names';
import { valueOf } from '../../motion/place';
import { PlacePicker } from './AddTrack';

/** Values that always are what others are: a glowing piece and its lamp, say. */
export function Links() {
  const desk = useDesk();
  const { document } = desk;
  const { links, tracks } = document.motion;
  const [follows, setFollows] = useState<string | null>(null);
  const name = (place: string) => {
    const { thing, value } = placeName(document, place);
    return `${thing}: ${value}`;
  };
  const write = (label: string, next: typeof links) =>
    void desk.keep(label, [{ op: 'replace', path: '/motion/links', value: next }]);
  const taken = new Set([...tracks.map((t) => t.place), ...links.map((l) => l.place)]);
  const followed = new Set(links.map((l) => l.from));
  const kind = (value: unknown) => (Array.isArray(value) ? 'triple' : typeof value);
  return (
    <Section title="Linked values">
      {links.map((link) => (
        <Box key={link.place} sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
          <Typography variant="caption" sx={{ flex: 1, minWidth: 0 }}>
            {name(link.place)} follows {name(link.from)}
          </Typography>
          <Tooltip title="Let it go">
            <IconButton
              aria-label={`Let ${name(link.place)} go`}
              onClick={() =>
                write(
                  'Unlink',
                  links.filter((l) => l !== link),
                )
              }
            >
              <LinkOffIcon fontSize="inherit" />
            </IconButton>
          </Tooltip>
        </Box>
      ))}
      {follows === null ? (
        <Box>
          <PlacePicker
            text="Value that follows"
            taken={new Set([...taken, ...followed])}
            onPick={setFollows}
          />
        </Box>
      ) : (
        <Box>
          <Typography variant="caption" component="div">
            {name(follows)} follows …
          </Typography>
          <PlacePicker
            text="Value that leads"
            taken={new Set([...links.map((l) => l.place), follows])}
            fits={(value) => kind(value) === kind(valueOf(document, follows))}
            onPick={(from) => {
              setFollows(null);
              write('Link', [...links, { place: follows, from, factor: 1, offset: 0 }]);
            }}
          />
        </Box>
      )}
    </Section>
  );
}
