import Box from '@mui/material/Box';
import Tooltip from '@mui/material/Tooltip';
import type { ReactNode } from 'react';
import { colours } from '../theme/theme';

/** A small button of the desk that stays down. */
export function Toggle(p: { on: boolean; name: string; onClick: () => void; children: ReactNode }) {
  return (
    <Tooltip title={p.name}>
      <Box
        component="button"
        type="button"
        aria-label={p.name}
        aria-pressed={p.on}
        onClick={p.onClick}
        sx={{
          flex: 1,
          height: 20,
          p: 0,
          border: `1px solid ${p.on ? colours.ember : colours.line}`,
          borderRadius: '4px',
          bgcolor: p.on ? colours.ember : 'transparent',
          color: p.on ? '#1a0f0d' : colours.text,
          fontSize: 11,
          fontWeight: 600,
          cursor: 'pointer',
        }}
      >
        {p.children}
      </Box>
    </Tooltip>
  );
}
