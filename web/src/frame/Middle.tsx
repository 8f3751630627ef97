import Box from '@mui/material/Box';
import { PictureView } from '../picture/PictureView';
import { PrintPicture } from '../rooms/print/PrintPicture';
import { Plan } from '../plan/Plan';
import { colours } from '../theme/theme';
import { useChoice, type Middle as Shown } from './choice';

const SHOWN: [Shown, string][] = [
  ['picture', 'Picture'],
  ['plan', 'Plan'],
  ['both', 'Both'],
];

/** The middle of the page: the picture, the plan, or both side by side. */
export function Middle() {
  const room = useChoice((c) => c.room);
  const chosen = useChoice((c) => c.middle);
  const offered = room !== 'look' && room !== 'proofs' && room !== 'print';
  const shown = offered ? chosen : 'picture';
  return (
    <Box sx={{ position: 'absolute', inset: 0, display: 'flex' }}>
      {/* The picture keeps its place in the page, so that it goes on where it was. */}
      <Box
        sx={{
          position: 'relative',
          flex: shown === 'plan' ? 'none' : 1,
          width: shown === 'plan' ? 0 : undefined,
          minWidth: 0,
          visibility: shown === 'plan' ? 'hidden' : 'visible',
        }}
      >
        <PictureView />
        {room === 'print' && <PrintPicture />}
      </Box>
      {shown !== 'picture' && (
        <Box sx={{ position: 'relative', flex: 1, minWidth: 0 }}>
          <Plan />
        </Box>
      )}
      {offered && (
        <Box
          role="tablist"
          aria-label="Picture or plan"
          sx={{
            position: 'absolute',
            right: 8,
            bottom: 8,
            display: 'flex',
            bgcolor: '#1f1f1fd0',
            borderRadius: 1.5,
            overflow: 'hidden',
            zIndex: 1,
          }}
        >
          {SHOWN.map(([which, text]) => (
            <Box
              key={which}
              component="button"
              type="button"
              role="tab"
              aria-selected={shown === which}
              onClick={() => useChoice.setState({ middle: which })}
              sx={{
                border: 'none',
                px: 2,
                height: 24,
                fontSize: 12,
                fontFamily: 'inherit',
                cursor: 'pointer',
                bgcolor: shown === which ? colours.control : 'transparent',
                color: shown === which ? colours.text : colours.quiet,
              }}
            >
              {text}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
