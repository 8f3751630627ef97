import WarningAmberIcon from '@mui/icons-material/WarningAmber';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery } from '@tanstack/react-query';
import { Fetched } from '../../controls/Fetched';
import { api } from '../../api/client';
import type { Piece } from '../../api/document';
import { useDesk } from '../../live/useShoot';
import { colours, mono } from '../../theme/theme';
import { said, improbable } from './sizes';

/** How large a piece truly is, copies and all that stands in it counted, and whether that is likely. */
export function TrueSize({ piece }: { piece: Piece }) {
  const desk = useDesk();
  const { id, revision } = desk.state;
  const sizeQuery = useQuery({
    queryKey: ['size', id, piece.id, revision],
    queryFn: () => api.size(id, piece.id),
    placeholderData: (before) => before,
  });
  const size = sizeQuery.data;
  if (!size) return <Fetched of={sizeQuery} what="The true size" />;
  if (!size.metres) return null;
  const doubt = improbable(size.metres);
  return (
    <Box sx={{ mb: 4 }}>
      <Typography variant="caption" color="text.secondary" component="div">
        True size, {size.triangles.toLocaleString('en')} triangles
      </Typography>
      <Box data-testid="true-size" sx={{ fontFamily: mono, fontSize: 12 }}>
        {size.metres.map(said).join(' × ')}
      </Box>
      {doubt && (
        <Box
          role="note"
          sx={{ display: 'flex', gap: 1, color: colours.warning, fontSize: 12, mt: 1 }}
        >
          <WarningAmberIcon fontSize="inherit" />
          {doubt}
        </Box>
      )}
    </Box>
  );
}
