import Box from '@mui/material/Box';

const ASPECT = 16 / 9;

/** Darkens what a crop of a shape would leave out. */
export function CropGuide({ aspect }: { aspect: number }) {
  const across = aspect < ASPECT;
  const share = 50 * (1 - (across ? aspect / ASPECT : ASPECT / aspect));
  const sides = across
    ? [
        { left: 0, top: 0, bottom: 0, width: `${share}%` },
        { right: 0, top: 0, bottom: 0, width: `${share}%` },
      ]
    : [
        { left: 0, right: 0, top: 0, height: `${share}%` },
        { left: 0, right: 0, bottom: 0, height: `${share}%` },
      ];
  return (
    <>
      {sides.map((sx, i) => (
        <Box
          key={i}
          data-testid="crop"
          sx={{ position: 'absolute', bgcolor: '#000000a0', ...sx }}
        />
      ))}
    </>
  );
}
