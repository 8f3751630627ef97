import Box from '@mui/material/Box';
import { setField } from '../api/patch';
import { useDesk } from '../live/useShoot';
import { KeyMark } from '../motion/KeyMark';

/** The mark of a strip that says whether its level is keyed now. */
export function LevelKey({ id, name, level }: { id: string; name: string; level: number }) {
  const { document } = useDesk();
  return (
    <Box sx={{ position: 'absolute', left: -8, top: 1, width: 14, height: 14 }}>
      <KeyMark
        name={`Level of ${name}`}
        writes={() => [setField(document, 'lights', id, 'levelStops', level + 1)]}
      />
    </Box>
  );
}
