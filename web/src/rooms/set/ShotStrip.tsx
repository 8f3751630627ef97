import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { api } from '../../api/client';
import { useChoice } from '../../frame/choice';
import { useChosenShot } from '../../frame/useChosenShot';
import { useLive } from '../../live/store';
import { useDesk } from '../../live/useShoot';
import { colours } from '../../theme/theme';

/** What every shot frames, as small pictures without light; a click shows the shot. */
export function ShotStrip() {
  const desk = useDesk();
  const chosen = useChosenShot();
  const there = useLive((s) => s.frame !== null);
  const { id, revision, document } = desk.state;
  return (
    <Box
      role="group"
      aria-label="Shots"
      sx={{
        width: 128,
        flex: 'none',
        borderRight: `1px solid ${colours.line}`,
        p: 1.5,
        overflowY: 'auto',
        display: 'flex',
        flexDirection: 'column',
        gap: 1,
      }}
    >
      {document.shots.map((shot) => (
        <Box
          key={shot.id}
          component="button"
          type="button"
          aria-label={`Shot ${shot.name}`}
          aria-current={shot.id === chosen.id}
          onClick={() => useChoice.setState({ shot: shot.id, piece: null })}
          sx={{
            all: 'unset',
            cursor: 'pointer',
            flex: 'none',
            borderRadius: 1.5,
            overflow: 'hidden',
            bgcolor: colours.raised,
            border: `1px solid ${shot.id === chosen.id ? colours.ember : colours.line}`,
            '&:focus-visible': { outline: `2px solid ${colours.ember}` },
          }}
        >
          <Box sx={{ aspectRatio: '16 / 9', bgcolor: colours.control }}>
            {there && (
              <img
                src={api.shotUrl(id, shot.id, `${revision}`)}
                alt=""
                draggable={false}
                style={{ width: '100%', height: '100%', objectFit: 'cover', display: 'block' }}
              />
            )}
          </Box>
          <Typography variant="caption" noWrap component="div" sx={{ px: 1, py: 0.5 }}>
            {shot.name}
          </Typography>
        </Box>
      ))}
    </Box>
  );
}
