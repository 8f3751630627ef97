import Box from '@mui/material/Box';
import type { LightPart } from '../../../api/document';
import { useDesk } from '../../../live/useShoot';
import { colours, mono } from '../../../theme/theme';
import { amountText } from './meterWords';

const MOST = 8;

/** What each light gives, as small bars, most first. */
export function LightBars({
  name,
  parts,
  unit,
}: {
  name: string;
  parts: LightPart[];
  unit: string;
}) {
  const { document } = useDesk();
  return (
    <Box component="ul" aria-label={name} sx={{ listStyle: 'none', m: 0, p: 0 }}>
      {parts.slice(0, MOST).map((part) => (
        <Box component="li" key={part.light} sx={{ py: 0.5 }}>
          <Box sx={{ display: 'flex', gap: 1, fontSize: 11 }}>
            <Box
              component="span"
              sx={{
                flex: 1,
                minWidth: 0,
                overflow: 'hidden',
                textOverflow: 'ellipsis',
                whiteSpace: 'nowrap',
              }}
            >
              {document.lights.find((l) => l.id === part.light)?.name ?? part.light}
            </Box>
            <Box component="span" sx={{ fontFamily: mono, color: colours.quiet }}>
              {amountText(part.value, unit)}
            </Box>
            <Box component="span" sx={{ fontFamily: mono, width: 40, textAlign: 'right' }}>
              {(100 * part.share).toFixed(part.share < 0.0995 ? 1 : 0)} %
            </Box>
          </Box>
          <Box sx={{ height: 3, borderRadius: 1, bgcolor: colours.control, mt: '2px' }}>
            <Box
              sx={{
                height: 3,
                borderRadius: 1,
                bgcolor: colours.quiet,
                width: `${100 * part.share}%`,
              }}
            />
          </Box>
        </Box>
      ))}
    </Box>
  );
}
