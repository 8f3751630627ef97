import ChevronRightIcon from '@mui/icons-material/ChevronRight';
import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import { colours } from '../theme/theme';

interface Props {
  title: string;
  /** Whether it says anything else than it does at first. */
  changed?: boolean;
  open?: boolean;
  /** Stands at the right end of the title. */
  aside?: ReactNode;
  children: ReactNode;
}

/** A section that is opened by its title; a dot says that something is set in it. */
export function Fold({ title, changed = false, open = false, aside, children }: Props) {
  const [shown, setShown] = useState(open);
  return (
    <Box
      component="section"
      aria-label={title}
      sx={{ borderTop: `1px solid ${colours.line}`, py: 1.5 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', minHeight: 24 }}>
        <Box
          component="button"
          type="button"
          aria-expanded={shown}
          onClick={() => setShown(!shown)}
          sx={{
            border: 'none',
            bgcolor: 'transparent',
            color: 'inherit',
            font: 'inherit',
            fontWeight: 600,
            p: 0,
            flex: 1,
            display: 'flex',
            alignItems: 'center',
            gap: 0.5,
            cursor: 'pointer',
            textAlign: 'left',
          }}
        >
          <ChevronRightIcon
            sx={{ fontSize: 16, color: colours.quiet, transform: shown ? 'rotate(90deg)' : 'none' }}
          />
          {title}
          {changed && (
            <Box
              component="span"
              role="img"
              aria-label="set"
              sx={{ width: 6, height: 6, borderRadius: 3, bgcolor: colours.ember, ml: 1 }}
            />
          )}
        </Box>
        {aside}
      </Box>
      {shown && (
        <Box sx={{ display: 'flex', flexDirection: 'column', gap: 2, pt: 1.5, pb: 1 }}>
          {children}
        </Box>
      )}
    </Box>
  );
}
