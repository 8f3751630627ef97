import Box from '@mui/material/Box';
import { colours } from '../theme/theme';

interface Props<T extends string> {
  name: string;
  tabs: [tab: T, text: string][];
  shown: T;
  onShow: (tab: T) => void;
}

/** Upright tabs at the left edge of a tray. */
export function SideTabs<T extends string>({ name, tabs, shown, onShow }: Props<T>) {
  return (
    <Box
      role="tablist"
      aria-label={name}
      sx={{ width: 24, flex: 'none', display: 'flex', flexDirection: 'column', pt: 1 }}
    >
      {tabs.map(([tab, text]) => (
        <Box
          key={tab}
          component="button"
          type="button"
          role="tab"
          aria-selected={shown === tab}
          onClick={() => onShow(tab)}
          sx={{
            writingMode: 'vertical-rl',
            transform: 'rotate(180deg)',
            height: 66,
            border: 'none',
            bgcolor: shown === tab ? colours.control : 'transparent',
            color: shown === tab ? colours.text : colours.quiet,
            fontSize: 11,
            cursor: 'pointer',
            borderRadius: 1,
            fontFamily: 'inherit',
          }}
        >
          {text}
        </Box>
      ))}
    </Box>
  );
}
