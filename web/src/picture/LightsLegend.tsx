import Box from '@mui/material/Box';
import { api } from '../api/client';
import { useLive } from '../live/store';
import { useDesk } from '../live/useShoot';

/** Which colour and pattern stands for which light, while the view of lights is shown. */
export function LightsLegend() {
  const shown = useLive((s) => s.view.kind === 'lights');
  const shares = useLive((s) => s.progress?.shares);
  const { lights } = useDesk().document;
  if (!shown) return null;
  const lit = lights
    .map((light, number) => ({ light, number, share: shares?.[light.id] ?? 0 }))
    .filter((l) => l.share > 0)
    .sort((a, b) => b.share - a.share);
  return (
    <Box
      component="ul"
      aria-label="Lights by colour and pattern"
      sx={{
        position: 'absolute',
        right: 8,
        bottom: 8,
        m: 0,
        p: 1,
        listStyle: 'none',
        borderRadius: 1.5,
        bgcolor: '#1f1f1fd8',
        fontSize: 11,
        pointerEvents: 'none',
        maxHeight: '60%',
        overflow: 'hidden',
      }}
    >
      {lit.map(({ light, number, share }) => (
        <Box
          component="li"
          key={light.id}
          sx={{ display: 'flex', gap: 1, alignItems: 'center', py: 0.25 }}
        >
          <img alt="" src={api.lightPatternUrl(number)} width={36} height={24} />
          <span style={{ flex: 1 }}>{light.name}</span>
          <span>{(100 * share).toFixed(share < 0.0995 ? 1 : 0)} %</span>
        </Box>
      ))}
    </Box>
  );
}
